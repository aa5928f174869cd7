import type { Point, Ring } from '../geometry';

/** Numbers each command of an outline takes. */
const TAKES = { M: 2, L: 2, Q: 4, C: 6, Z: 0 } as const;

/**
 * The closed contours of an outline (`M`, `L`, `Q`, `C`, `Z`, absolute) as straight pieces that stand off its curves by no
 * more than `tolerance`, in the outline’s own units.
 */
export function contoursOf(path: string, tolerance: number): Ring[] {
  const contours: Point[][] = [];
  let contour: Point[] = [];
  let at: Point = [0, 0];
  for (const [, letter, numbers] of path.matchAll(/([MLQCZ])([^MLQCZ]*)/g)) {
    const command = letter as keyof typeof TAKES;
    const values = numbers.trim() === '' ? [] : numbers.trim().split(/\s+/).map(Number);
    if (values.length !== TAKES[command])
      throw new Error(`outline: ${command} with ${values.length} numbers`);
    const points = pairs(values);
    if (command === 'M') contours.push((contour = [points[0]]));
    else if (command === 'L') contour.push(points[0]);
    else if (command === 'Q') contour.push(...quadratic(at, points[0], points[1], tolerance));
    else if (command === 'C') contour.push(...cubic(at, points[0], points[1], points[2], tolerance));
    at = points.at(-1) ?? at;
  }
  return contours.map(withoutDoubles).filter((ring) => ring.length > 2);
}

const pairs = (values: readonly number[]): Point[] =>
  Array.from({ length: values.length / 2 }, (_, i) => [values[2 * i], values[2 * i + 1]]);

/** A quadratic curve stands off n chords by a quarter of its second difference over n². */
function quadratic(a: Point, b: Point, c: Point, tolerance: number): Point[] {
  const n = Math.max(1, Math.ceil(Math.sqrt(bend(a, b, c) / (4 * tolerance))));
  return steps(n, (t) => {
    const s = 1 - t;
    return [s * s * a[0] + 2 * s * t * b[0] + t * t * c[0], s * s * a[1] + 2 * s * t * b[1] + t * t * c[1]];
  });
}

/** A cubic one by at most three quarters of the larger second difference over n². */
function cubic(a: Point, b: Point, c: Point, d: Point, tolerance: number): Point[] {
  const n = Math.max(1, Math.ceil(Math.sqrt((0.75 * Math.max(bend(a, b, c), bend(b, c, d))) / tolerance)));
  return steps(n, (t) => {
    const s = 1 - t;
    const along = (axis: 0 | 1): number =>
      s * s * s * a[axis] + 3 * s * s * t * b[axis] + 3 * s * t * t * c[axis] + t * t * t * d[axis];
    return [along(0), along(1)];
  });
}

const bend = (a: Point, b: Point, c: Point): number =>
  Math.hypot(a[0] - 2 * b[0] + c[0], a[1] - 2 * b[1] + c[1]);

const steps = (n: number, at: (t: number) => Point): Point[] =>
  Array.from({ length: n }, (_, i) => at((i + 1) / n));

/** A contour that comes back to where it began says its first point only once. */
function withoutDoubles(ring: Point[]): Ring {
  const apart = ring.filter(([x, y], i) => i === 0 || x !== ring[i - 1][0] || y !== ring[i - 1][1]);
  const [first, last] = [apart[0], apart.at(-1)!];
  return apart.length > 1 && first[0] === last[0] && first[1] === last[1] ? apart.slice(0, -1) : apart;
}
