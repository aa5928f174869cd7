import { chromaOf, hueOf, type Lab } from '../colour';
import type { Point } from '../geometry';
import type { MixTable } from '../pigment';

/** Sectors of hue in which the strongest colour is looked for; each of ten degrees. */
const SECTORS = 36;

/** Mixes within this of a lightness count for it, L*: the table’s strengths lie about so far apart. */
const ABOUT_L = 4;

/**
 * What a palette reaches at one lightness: round the hues the strongest mix of its table in each sector, as `[a, b]` in
 * order of hue; sectors in which it has nothing are left out.
 */
export function gamutAt({ lab }: Pick<MixTable, 'lab'>, lightness: number): Point[] {
  const strongest: (Lab | undefined)[] = Array.from({ length: SECTORS });
  for (let i = 0; i < lab.length; i += 3) {
    if (Math.abs(lab[i] - lightness) > ABOUT_L) continue;
    const seen: Lab = [lab[i], lab[i + 1], lab[i + 2]];
    const sector = Math.min(SECTORS - 1, Math.floor((hueOf(seen) / 360) * SECTORS));
    const best = strongest[sector];
    if (!best || chromaOf(seen) > chromaOf(best)) strongest[sector] = seen;
  }
  return strongest.flatMap((best): Point[] => (best ? [[best[1], best[2]]] : []));
}
