import type { Point, Polygon } from '../../kit/geometry';
import { done, type Work } from '../../kit/units';
import { inscribedCircle } from './inscribed';
import { narrowestWidth } from './narrowest';

/** How wide a region is where it matters. */
export interface Widths {
  readonly narrowestMm: number;
  /** Diameter of the largest circle within. */
  readonly inscribedMm: number;
  /** Diameters of the circles inscribed in its holes, smallest first, and where they lie. */
  readonly counters: readonly { readonly mm: number; readonly at: Point }[];
}

/** Outlines whose widths are kept; a card has some dozens. */
const KEPT = 600;
const known = new Map<string, Widths>();

/** Measures the widths of a region; kept by its outline, since plans come again and again with the same ones. */
export function* measuringWidths(region: Polygon): Work<Widths> {
  const key = region.map((ring) => ring.join(' ')).join('|');
  const found = known.get(key);
  if (found) return found;
  const widths: Widths = {
    narrowestMm: yield* narrowestWidth(region),
    inscribedMm: 2 * inscribedCircle(region).radiusMm,
    counters: region
      .slice(1)
      .map((hole) => inscribedCircle([hole]))
      .map(({ centre, radiusMm }) => ({ mm: 2 * radiusMm, at: centre }))
      .sort((a, b) => a.mm - b.mm),
  };
  if (known.size >= KEPT) known.delete(known.keys().next().value!);
  known.set(key, widths);
  return widths;
}

/** The same in one go; at once where they were measured before. */
export const widthsOf = (region: Polygon): Widths => done(measuringWidths(region));
