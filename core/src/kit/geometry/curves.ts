import type { Point } from './polygon';

/** Numbers each command of a path takes. */
const TAKES = { M: 2, L: 2, Q: 4, C: 6, Z: 0 } as const;

/** A row of points, and whether it comes back to where it began; then its first point is not said twice. */
export interface Drawn {
  readonly points: Point[];
  readonly closed: boolean;
}

/**
 * The lines of a path (`M`, `L`, `Q`, `C`, `Z`, absolute) as straight pieces that stand off its curves by no more than
 * `tolerance`, in the path’s own units. Throws `RangeError` for a command with other numbers than it takes.
 */
export function linesOfPath(path: string, tolerance: number): Drawn[] {
  const lines: { points: Point[]; closed: boolean }[] = [];
  let points: Point[] = [];
  let at: Point = [0, 0];
  const begin = (place: Point): void => {
    points = [place];
    lines.push({ points, closed: false });
  };
  for (const [, letter, numbers] of path.matchAll(/([MLQCZ])([^MLQCZ]*)/g)) {
    const command = letter as keyof typeof TAKES;
    const values =
      numbers.trim() === ''
        ? []
        : numbers
            .trim()
            .split(/[\s,]+/)
            .map(Number);
    if (values.length !== TAKES[command] || !values.every(Number.isFinite))
      throw new RangeError(
        `a path’s ${command} takes ${TAKES[command]} numbers, not “${numbers.slice(0, 40)}”`,
      );
    const to = pairs(values);
    if (command === 'Z') {
      const line = lines.at(-1);
      if (!line) continue;
      line.closed = true;
      at = line.points[0];
      continue;
    }
    if (command === 'M') begin(to[0]);
    else {
      // After a line is closed the next begins where it began.
      if (lines.at(-1)?.closed !== false) begin(at);
      if (command === 'L') points.push(to[0]);
      else if (command === 'Q') points.push(...quadratic(at, to[0], to[1], tolerance));
      else points.push(...cubic(at, to[0], to[1], to[2], tolerance));
    }
    at = to[to.length - 1];
  }
  return lines.map(({ points: all, closed }) => ({ points: apart(all, closed), closed }));
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

/** Points that are not the one before; of a closed line, nor the first again at its end. */
function apart(points: readonly Point[], closed: boolean): Point[] {
  const kept = points.filter(([x, y], i) => i === 0 || x !== points[i - 1][0] || y !== points[i - 1][1]);
  const [first, last] = [kept[0], kept[kept.length - 1]];
  return closed && kept.length > 1 && first[0] === last[0] && first[1] === last[1] ? kept.slice(0, -1) : kept;
}
