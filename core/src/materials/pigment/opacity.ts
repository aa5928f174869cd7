import { deltaE00, xyzOf, type Lab } from '../../kit/colour';
import { PAPERS, type Paper } from '../paper';
import { glazeLab, glazeReflectance } from './glaze';
import { atReferenceFilm, type Mix } from './mix';
import { pigmentByCode } from './library';

/** Nobody lays opaque white in more coats. */
export const MAX_COATS = 4;

/** Coats that come within this of their own colour on white paper hide what is under them, ΔE00: not seen at arm's length. */
const HIDES_WITHIN = 3;

/** What opaque paint makes of a ground, coat by coat. */
export interface Cover {
  /** Colour after one coat, two, … up to four. */
  readonly coats: readonly Lab[];
  /** The first coat that reaches the wanted lightness; null when none of them does. */
  readonly coatsNeeded: number | null;
  /** The first coat after which the ground is hidden; null when none of them hides it. */
  readonly coatsToHide: number | null;
}

/** How light does a white (or any opaque mix) become over what is painted, and in how many dried coats? */
export function coverOver(cover: Mix, paper: Paper, painted: readonly Mix[], wantedL: number): Cover {
  const laid = (under: readonly Mix[], coats: number): Lab =>
    glazeLab(paper, [...under, ...Array.from({ length: coats }, () => cover)]);
  const numbers = Array.from({ length: MAX_COATS }, (_, i) => i + 1);
  const coats = numbers.map((n) => laid(painted, n));
  const first = (holds: (n: number) => boolean): number | null => numbers.find(holds) ?? null;
  return {
    coats,
    coatsNeeded: first((n) => coats[n - 1][0] >= wantedL),
    coatsToHide: first((n) => deltaE00(coats[n - 1], laid([], n)) <= HIDES_WITHIN),
  };
}

/**
 * Contrast ratio of a film, 0…1: luminance over black divided by that over white paper (ISO 6504-3 measures
 * hiding power so; 0.98 counts as hiding). Black is a masstone of lamp black.
 */
export function contrastRatio(film: Mix, paper: Paper = PAPERS[0]): number {
  const black = atReferenceFilm([{ pigment: pigmentByCode('PBk6'), parts: 1 }], 1);
  const over = (under: Mix[]): number => xyzOf(glazeReflectance(paper, [...under, film])).y;
  return over([black]) / over([]);
}
