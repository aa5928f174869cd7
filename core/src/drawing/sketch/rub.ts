import type { Point } from '../../kit/geometry';
import type { PencilLine, PencilPoint } from './sketch';

/** What is left of a line by a rubber shorter than this is dust, mm. */
const DUST_MM = 0.3;

/** A stretch of a straight piece, 0 at its beginning, 1 at its end. */
type Stretch = readonly [from: number, to: number];

/**
 * What a round rubber of this width, drawn along a way, leaves of a line: the line itself where it does not meet it,
 * otherwise its remaining parts with the pressure they had.
 */
export function rubbed(
  line: readonly PencilPoint[],
  way: readonly Point[],
  widthMm: number,
): PencilPoint[][] | null {
  const parts: PencilPoint[][] = [];
  let part: PencilPoint[] = [];
  let touched = false;
  const breakOff = (): void => {
    if (lengthOf(part) > DUST_MM) parts.push(part);
    part = [];
  };
  for (let i = 1; i < line.length; i++) {
    const [from, to] = [line[i - 1], line[i]];
    const gone = merged(underWay(from, to, way, widthMm / 2));
    let at = 0;
    for (const [begins, ends] of gone) {
      touched = true;
      if (begins > at) part.push(between(from, to, at), between(from, to, begins));
      breakOff();
      at = ends;
    }
    if (at < 1) part.push(between(from, to, at), to);
  }
  breakOff();
  return touched ? parts.map(withoutDoubles) : null;
}

/** The stretches of a straight piece that lie under a rubber of a radius drawn along a way. */
function underWay(from: PencilPoint, to: PencilPoint, way: readonly Point[], radius: number): Stretch[] {
  const legs =
    way.length === 1 ? [[way[0], way[0]] as const] : way.slice(1).map((end, i) => [way[i], end] as const);
  return legs.flatMap(([a, b]) => {
    const under = inStadium(from, to, a, b, radius);
    return under ? [under] : [];
  });
}

/** Where a straight piece lies within `radius` of the leg ab: within the disc round either end, or the box between. */
function inStadium(from: PencilPoint, to: PencilPoint, a: Point, b: Point, radius: number): Stretch | null {
  const found = [inDisc(from, to, a, radius), inDisc(from, to, b, radius), inBox(from, to, a, b, radius)];
  const stretches = found.filter((stretch) => stretch !== null);
  // The stadium is convex: the stretches in its three parts join into one.
  return stretches.length === 0
    ? null
    : [Math.min(...stretches.map(([s]) => s)), Math.max(...stretches.map(([, e]) => e))];
}

function inDisc(from: PencilPoint, to: PencilPoint, [x, y]: Point, radius: number): Stretch | null {
  const [dx, dy] = [to[0] - from[0], to[1] - from[1]];
  const [ox, oy] = [from[0] - x, from[1] - y];
  const [a, b, c] = [dx * dx + dy * dy, ox * dx + oy * dy, ox * ox + oy * oy - radius * radius];
  const root = b * b - a * c;
  if (a === 0 || root <= 0) return null;
  return within(-(b + Math.sqrt(root)) / a, (Math.sqrt(root) - b) / a);
}

function inBox(from: PencilPoint, to: PencilPoint, a: Point, b: Point, radius: number): Stretch | null {
  const length = Math.hypot(b[0] - a[0], b[1] - a[1]);
  if (length === 0) return null;
  const [ux, uy] = [(b[0] - a[0]) / length, (b[1] - a[1]) / length];
  const along = (p: PencilPoint): number => (p[0] - a[0]) * ux + (p[1] - a[1]) * uy;
  const across = (p: PencilPoint): number => (p[1] - a[1]) * ux - (p[0] - a[0]) * uy;
  const first = inSlab(along(from), along(to), 0, length);
  const second = inSlab(across(from), across(to), -radius, radius);
  if (!first || !second) return null;
  return within(Math.max(first[0], second[0]), Math.min(first[1], second[1]));
}

/** Where a value that runs evenly from one to another lies between two bounds. */
function inSlab(from: number, to: number, least: number, most: number): Stretch | null {
  if (from === to) return from > least && from < most ? [0, 1] : null;
  const [s, e] = [(least - from) / (to - from), (most - from) / (to - from)];
  return within(Math.min(s, e), Math.max(s, e));
}

const within = (from: number, to: number): Stretch | null =>
  Math.max(0, from) < Math.min(1, to) ? [Math.max(0, from), Math.min(1, to)] : null;

/** Stretches in order, those that overlap made one. */
function merged(stretches: Stretch[]): Stretch[] {
  const joined: [number, number][] = [];
  for (const [from, to] of stretches.sort((a, b) => a[0] - b[0])) {
    const last = joined.at(-1);
    if (last && from <= last[1]) last[1] = Math.max(last[1], to);
    else joined.push([from, to]);
  }
  return joined;
}

const between = (from: PencilPoint, to: PencilPoint, t: number): PencilPoint => {
  const [x, y, pressure] = from.map((value, i) => Math.round(1000 * (value + t * (to[i] - value))) / 1000);
  return [x, y, pressure];
};

const lengthOf = (line: readonly PencilPoint[]): number =>
  line.reduce(
    (sum, [x, y], i) => (i === 0 ? 0 : sum + Math.hypot(x - line[i - 1][0], y - line[i - 1][1])),
    0,
  );

const withoutDoubles = (line: PencilPoint[]): PencilPoint[] =>
  line.filter(([x, y], i) => i === 0 || x !== line[i - 1][0] || y !== line[i - 1][1]);

/** What a rubber drawn along a way makes of all lines of a sketch: those that are gone, and what is left of them. */
export function rubbedLines(
  lines: readonly PencilLine[],
  way: readonly Point[],
  widthMm: number,
  newId: () => string,
): { gone: string[]; lines: PencilLine[] } {
  const parts = lines.map((line) => ({ line, left: rubbed(line.points, way, widthMm) }));
  return {
    gone: parts.filter(({ left }) => left !== null).map(({ line }) => line.id),
    lines: parts.flatMap(({ line, left }) =>
      (left ?? []).map((points) => ({ ...line, id: newId(), points })),
    ),
  };
}
