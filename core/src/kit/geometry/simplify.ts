import { distance, type Point } from './polygon';

/**
 * Thins a freehand line to the points that matter, keeping every corner that stands
 * more than `toleranceMm` off the straight (Ramer 1972, Douglas & Peucker 1973).
 * Extra numbers behind x and y, such as pressure, travel with their point.
 */
export function simplifyLine<P extends readonly [number, number, ...number[]]>(
  points: readonly P[],
  toleranceMm: number,
): P[] {
  if (points.length < 3) return [...points];
  const keep = new Uint8Array(points.length);
  keep[0] = keep[points.length - 1] = 1;
  const open: [number, number][] = [[0, points.length - 1]];
  while (open.length > 0) {
    const [from, to] = open.pop()!;
    let far = -1;
    let farthest = toleranceMm;
    for (let i = from + 1; i < to; i++) {
      const off = offLine(points[i], points[from], points[to]);
      if (off > farthest) [far, farthest] = [i, off];
    }
    if (far < 0) continue;
    keep[far] = 1;
    open.push([from, far], [far, to]);
  }
  return points.filter((_, i) => keep[i] === 1);
}

type Head = readonly [number, number, ...number[]];

function offLine(p: Head, a: Head, b: Head): number {
  const length = Math.hypot(b[0] - a[0], b[1] - a[1]);
  if (length === 0) return Math.hypot(p[0] - a[0], p[1] - a[1]);
  return Math.abs((b[0] - a[0]) * (a[1] - p[1]) - (a[0] - p[0]) * (b[1] - a[1])) / length;
}

/** Does a freehand line come back to where it began, its ends no further apart than `gapMm`? */
export function isClosed(points: readonly Point[], gapMm: number): boolean {
  return points.length >= 4 && distance(points[0], points[points.length - 1]) <= gapMm;
}
