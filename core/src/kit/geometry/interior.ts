import { bounds, boxesMeet, type Point, type Polygon } from './polygon';

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
  const shapes = [polygon, ...covered.filter((over) => boxesMeet(polygon, over))];
  const reach = shapes.map((shape) => {
    const [, top, , tall] = bounds(shape);
    return [top, top + tall] as const;
  });
  const runs: { middle: Point; width: number }[] = [];
  for (let line = 1; line <= SCAN_LINES; line++) {
    const level = y + (height * line) / (SCAN_LINES + 1);
    // Most of what is painted over an area lies above the line or below it.
    const there = shapes.filter((_, i) => reach[i][0] <= level && level <= reach[i][1]);
    for (const [from, to] of freeRuns(there, level))
      runs.push({ middle: [(from + to) / 2, level], width: to - from });
  }
  if (runs.length > 0) {
    const wide = WIDE_SHARE * Math.max(...runs.map(({ width }) => width));
    const widest = runs.filter(({ width }) => width >= wide);
    return widest[Math.floor(widest.length / 2)].middle;
  }
  return covered.length > 0 ? interiorPoint(polygon) : [x, y];
}

/** The stretches of a level line within the first shape and within none of the others: every crossing goes in or out of one. */
function freeRuns(shapes: readonly Polygon[], level: number): [from: number, to: number][] {
  const hits = shapes
    .flatMap((shape, of) => crossings(shape, level).map((at) => ({ at, of })))
    .sort((one, other) => one.at - other.at);
  const within = shapes.map(() => false);
  let covers = 0;
  const runs: [number, number][] = [];
  hits.forEach(({ at, of }, i) => {
    within[of] = !within[of];
    if (of > 0) covers += within[of] ? 1 : -1;
    if (within[0] && covers === 0 && i + 1 < hits.length) runs.push([at, hits[i + 1].at]);
  });
  return runs;
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
