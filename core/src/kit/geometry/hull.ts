import type { Point, Ring } from './polygon';

/** The convex hull of some points, clockwise as seen on a panel with y down (Andrew 1979, monotone chain). */
export function convexHull(points: readonly Point[]): Ring {
  const sorted = [...points].sort((a, b) => a[0] - b[0] || a[1] - b[1]);
  const chain = (order: readonly Point[]): Point[] => {
    const hull: Point[] = [];
    for (const p of order) {
      while (hull.length > 1 && turn(hull[hull.length - 2], hull[hull.length - 1], p) <= 0) hull.pop();
      hull.push(p);
    }
    return hull.slice(0, -1);
  };
  return [...chain(sorted), ...chain([...sorted].reverse())];
}

const turn = (a: Point, b: Point, c: Point): number =>
  (b[0] - a[0]) * (c[1] - a[1]) - (b[1] - a[1]) * (c[0] - a[0]);
