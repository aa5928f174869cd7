import { bounds, contains, type Point, type Polygon } from './polygon';

/** Lines tried across the region; each costs one pass over its edges. */
const SCAN_LINES = 15;

/** Runs nearly as wide as the widest will do; of those the middle one keeps clear of the ends. */
const WIDE_SHARE = 0.9;

/**
 * A point well inside the region, away from its holes and from everything in `covered`: the middle of the
 * widest free run on a few level scan lines. For labels, and for asking what lies on an area.
 * Where nothing is free, a point inside all the same.
 */
export function interiorPoint(polygon: Polygon, covered: readonly Polygon[] = []): Point {
  const [x, y, , height] = bounds(polygon);
  const runs: { middle: Point; width: number }[] = [];
  for (let line = 1; line <= SCAN_LINES; line++) {
    const level = y + (height * line) / (SCAN_LINES + 1);
    const hits = [polygon, ...covered].flatMap((shape) => crossings(shape, level)).sort((a, b) => a - b);
    for (let i = 0; i + 1 < hits.length; i++) {
      const middle: Point = [(hits[i] + hits[i + 1]) / 2, level];
      if (!contains(polygon, middle) || covered.some((shape) => contains(shape, middle))) continue;
      runs.push({ middle, width: hits[i + 1] - hits[i] });
    }
  }
  if (runs.length > 0) {
    const wide = WIDE_SHARE * Math.max(...runs.map(({ width }) => width));
    const widest = runs.filter(({ width }) => width >= wide);
    return widest[Math.floor(widest.length / 2)].middle;
  }
  return covered.length > 0 ? interiorPoint(polygon) : [x, y];
}

function crossings(polygon: Polygon, level: number): number[] {
  const hits: number[] = [];
  for (const ring of polygon)
    for (let i = 0, j = ring.length - 1; i < ring.length; j = i++) {
      const [[ax, ay], [bx, by]] = [ring[j], ring[i]];
      if (ay > level !== by > level) hits.push(ax + ((level - ay) / (by - ay)) * (bx - ax));
    }
  return hits;
}
