import { deltaE00, type Lab } from '../../kit/colour';
import type { Paper } from '../paper';
import { glazeLab } from './glaze';
import { atReferenceFilm } from './mix';
import type { Pigment } from './pigment';

/** Strength at which drying and tinting are told: milky paint, and a tenth, as tints are compared. */
const MILKY = 0.3;
const TINT = 0.1;

/** A tint this far from its paper comes of a strong pigment; nearer than the second, of a weak one, ΔE00. Ours. */
const STRONG = 26;
const WEAK = 19;

/** What a painter wants to know of a pigment before buying or mixing it. */
export interface PigmentCard {
  readonly transparency: string;
  readonly staining: string;
  readonly granulation: string;
  /** How far a tint goes. */
  readonly strength: string;
  /** How much lighter a milky wash dries than it was laid, L*. */
  readonly dryingL: number;
  /** Dry colours from the tube to a stain. */
  readonly tints: readonly Lab[];
}

const TINTS = [1, 0.5, 0.25, 0.12, 0.06];

const TRANSPARENCY: Readonly<Record<string, string | undefined>> = {
  T: 'transparent',
  ST: 'half transparent',
  SO: 'half opaque',
  O: 'opaque',
};

const inThree = (value: number, words: readonly [string, string, string]): string =>
  words[value < 1 / 3 ? 0 : value < 2 / 3 ? 1 : 2];

/** A pigment as it paints on a paper. */
export function pigmentCard(pigment: Pigment, paper: Paper): PigmentCard {
  const wash = (strength: number, wetness = 0): Lab =>
    glazeLab(paper, [atReferenceFilm([{ pigment, parts: 1 }], strength)], wetness);
  const tint = deltaE00(wash(TINT), glazeLab(paper, []));
  return {
    transparency: TRANSPARENCY[pigment.transparencyClass] ?? pigment.transparencyClass,
    staining: inThree(pigment.staining, ['lifts well', 'stains a little', 'stains']),
    granulation: inThree(pigment.granulation, ['smooth', 'granulates a little', 'granulates']),
    strength: tint > STRONG ? 'strong' : tint < WEAK ? 'weak' : 'middling',
    dryingL: wash(MILKY)[0] - wash(MILKY, 1)[0],
    tints: TINTS.map((strength) => wash(strength)),
  };
}
