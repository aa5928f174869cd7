import { distance, simplifyLine, type Point, type Polygon, type Ring } from '../../kit/geometry';
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

/** Points of an outline that stand less off the straight say nothing of its widths, mm. */
const SAME_MM = 0.005;

/** Outlines whose widths are kept; a card has some dozens. */
const KEPT = 600;
const known = new Map<string, Widths>();

/** Measures the widths of a region; kept by its outline, since plans come again and again with the same ones. */
export function* measuringWidths(region: Polygon): Work<Widths> {
  const key = region.map((ring) => ring.join(' ')).join('|');
  const found = known.get(key);
  if (found) return found;
  const plain = region.map(thinned);
  const widths: Widths = {
    narrowestMm: yield* narrowestWidth(plain),
    inscribedMm: 2 * inscribedCircle(plain).radiusMm,
    counters: plain
      .slice(1)
      .map((hole) => inscribedCircle([hole]))
      .map(({ centre, radiusMm }) => ({ mm: 2 * radiusMm, at: centre }))
      .sort((a, b) => a.mm - b.mm),
  };
  if (known.size >= KEPT) known.delete(known.keys().next().value!);
  known.set(key, widths);
  return widths;
}

/** A ring without the points that say nothing of its widths; the one furthest from its first is kept, so that it stays a ring. */
function thinned(ring: Ring): Ring {
  const [first] = ring;
  const far = ring.reduce((a, b) => (distance(first, b) > distance(first, a) ? b : a));
  const at = ring.indexOf(far);
  const halves = [ring.slice(0, at + 1), [...ring.slice(at), first]];
  const thin = halves.flatMap((half) => simplifyLine(half, SAME_MM).slice(0, -1));
  return thin.length < 3 ? ring : thin;
}

/** The same in one go; at once where they were measured before. */
export const widthsOf = (region: Polygon): Widths => done(measuringWidths(region));
