import type { Lab } from '../../kit/colour';
import {
  choosePalette,
  COLOUR_ALONE,
  type BoxTable,
  type MatchedMix,
  type PaletteTerms,
  type Pigment,
} from '../pigment';
import type { Work } from '../../kit/units';
import { coloursFor, SCHEMES, type Mood, type SchemeId } from './mood';

/** A palette for a mood, its colours mixed, and why it is this one. */
export interface Suggestion {
  readonly scheme: SchemeId;
  readonly says: string;
  readonly wanted: readonly Lab[];
  readonly pigments: readonly Pigment[];
  readonly mixes: readonly MatchedMix[];
  readonly meanDeltaE: number;
}

/** A palette with a pigment of an earlier suggestion may be better by this before it is taken, ΔE00 of the mean. */
const USED_BEFORE = 1.5;

/** The same palette twice is no choice: what is used counts more and more, up to this, ΔE00. */
const MOST_AGAINST = 100;

/** How many pigments a suggestion has: few, so that all its colours belong together. */
const SIZE = 3;

/**
 * Three palettes for a mood from a box, one for each scheme; what an earlier one has taken counts against a pigment, and no
 * two are the same. `terms` are the painter’s. A box of fewer pigments gives palettes as large as it is.
 */
export function* suggestPalettes(
  table: BoxTable,
  mood: Omit<Mood, 'word'>,
  terms: PaletteTerms = COLOUR_ALONE,
): Work<Suggestion[]> {
  const found: Suggestion[] = [];
  const size = Math.min(SIZE, table.box.length);
  // A palette that comes out twice is chosen again; the share told never goes back.
  let told = 0;
  for (const [i, { id, says }] of SCHEMES.entries()) {
    const wanted = coloursFor(mood, id);
    for (let weight = USED_BEFORE; ; weight *= 2) {
      const used = new Map<string, number>();
      for (const { pigments } of found)
        for (const { code } of pigments) used.set(code, (used.get(code) ?? 0) + weight / size);
      const work = choosePalette(table, { targets: wanted, size, terms: { ...terms, used } });
      let step = work.next();
      while (!step.done) {
        told = Math.max(told, (i + step.value) / SCHEMES.length);
        yield told;
        step = work.next();
      }
      const { pigments, mixes, meanDeltaE } = step.value;
      const again = found.some((earlier) => sameCodes(earlier.pigments, pigments));
      if (again && table.box.length > size && weight < MOST_AGAINST) continue;
      found.push({ scheme: id, says, wanted, pigments, mixes, meanDeltaE });
      break;
    }
  }
  return found;
}

const sameCodes = (one: readonly Pigment[], other: readonly Pigment[]): boolean =>
  one.every(({ code }) => other.some((pigment) => pigment.code === code));
