import * as z from 'zod';
import { positionMm } from '../units';

/** A point in mm; origin top left, x right, y down. */
export type Point = readonly [x: number, y: number];

/** A closed ring without its first point repeated. */
export type Ring = readonly Point[];

/** A region: the outer ring first, then its holes. */
export type Polygon = readonly Ring[];

/** Finer than so many corners no hand cuts, and no outline of a card needs to be. */
export const MOST_CORNERS = 5000;
/** One region has no more holes than so many: a lace border of a card has some hundreds. */
export const MOST_HOLES = 500;
/** A region smaller than a tenth of a millimetre each way cannot be painted, mm². */
const LEAST_AREA_MM2 = 0.01;

export const pointSchema = z.tuple([positionMm, positionMm]).readonly();
export const ringSchema = z.array(pointSchema).min(3).max(MOST_CORNERS).readonly();
export const polygonSchema = z
  .array(ringSchema)
  // Without a ring nothing further can be asked of it.
  .min(1, { abort: true })
  .max(1 + MOST_HOLES)
  .refine(([outer]) => Math.abs(ringArea(outer)) >= LEAST_AREA_MM2, 'encloses nothing')
  .readonly();

/** Signed area of a ring, mm² (shoelace). */
export function ringArea(ring: Ring): number {
  let twice = 0;
  for (let i = 0, j = ring.length - 1; i < ring.length; j = i++)
    twice += ring[j][0] * ring[i][1] - ring[i][0] * ring[j][1];
  return twice / 2;
}

/** Painted area of a polygon, mm²: outer ring less holes. */
export function polygonArea([outer, ...holes]: Polygon): number {
  return holes.reduce((area, hole) => area - Math.abs(ringArea(hole)), Math.abs(ringArea(outer)));
}

/** Length of all edges, mm: what has to be cut in. */
export function edgeLength(polygon: Polygon): number {
  return polygon.flatMap(segmentsOf).reduce((sum, [a, b]) => sum + distance(a, b), 0);
}

export const distance = (a: Point, b: Point): number => Math.hypot(a[0] - b[0], a[1] - b[1]);

type Segment = readonly [Point, Point];

function segmentsOf(ring: Ring): Segment[] {
  return ring.map((point, i) => [point, ring[(i + 1) % ring.length]] as const);
}

/** Is the point inside, holes excluded? Even–odd crossing rule. */
export function contains(polygon: Polygon, [x, y]: Point): boolean {
  let inside = false;
  for (const ring of polygon)
    for (let i = 0, j = ring.length - 1; i < ring.length; j = i++) {
      const [ax, ay] = ring[j];
      const [bx, by] = ring[i];
      if (ay > y !== by > y && x < ax + ((y - ay) / (by - ay)) * (bx - ax)) inside = !inside;
    }
  return inside;
}

/**
 * Smallest distance between two regions in mm; 0 when they overlap or one lies in the other. What lies `most` apart or
 * further need not be measured, and is told as `most`.
 */
export function gapBetween(one: Polygon, other: Polygon, most = Infinity): number {
  if (boxGap(bounds(one), bounds(other)) >= most) return most;
  if (contains(one, other[0][0]) || contains(other, one[0][0])) return 0;
  const others = other.flatMap(segmentsOf);
  // Boxes of their edges, flat: most pairs of edges lie too far apart to be measured.
  const boxes = Float64Array.from(
    others.flatMap(([c, d]) => [
      ...[Math.min(c[0], d[0]), Math.max(c[0], d[0])],
      ...[Math.min(c[1], d[1]), Math.max(c[1], d[1])],
    ]),
  );
  let gap = most;
  for (const [a, b] of one.flatMap(segmentsOf)) {
    const [left, right] = [Math.min(a[0], b[0]), Math.max(a[0], b[0])];
    const [top, bottom] = [Math.min(a[1], b[1]), Math.max(a[1], b[1])];
    for (let i = 0; i < others.length; i++) {
      const across = Math.max(0, boxes[4 * i] - right, left - boxes[4 * i + 1]);
      const down = Math.max(0, boxes[4 * i + 2] - bottom, top - boxes[4 * i + 3]);
      if (across * across + down * down >= gap * gap) continue;
      gap = Math.min(gap, segmentGap(a, b, ...others[i]));
      if (gap === 0) return 0;
    }
  }
  return gap;
}

/** How far two boxes lie apart, mm. */
const boxGap = (one: ReturnType<typeof bounds>, other: ReturnType<typeof bounds>): number =>
  Math.hypot(
    Math.max(0, other[0] - one[0] - one[2], one[0] - other[0] - other[2]),
    Math.max(0, other[1] - one[1] - one[3], one[1] - other[1] - other[3]),
  );

function segmentGap(a: Point, b: Point, c: Point, d: Point): number {
  if (cross(a, b, c) * cross(a, b, d) < 0 && cross(c, d, a) * cross(c, d, b) < 0) return 0;
  return Math.min(pointGap(a, c, d), pointGap(b, c, d), pointGap(c, a, b), pointGap(d, a, b));
}

const cross = (o: Point, a: Point, b: Point): number =>
  (a[0] - o[0]) * (b[1] - o[1]) - (a[1] - o[1]) * (b[0] - o[0]);

function pointGap(p: Point, a: Point, b: Point): number {
  const length2 = (b[0] - a[0]) ** 2 + (b[1] - a[1]) ** 2;
  const along = length2 === 0 ? 0 : ((p[0] - a[0]) * (b[0] - a[0]) + (p[1] - a[1]) * (b[1] - a[1])) / length2;
  const t = Math.min(1, Math.max(0, along));
  return Math.hypot(p[0] - a[0] - t * (b[0] - a[0]), p[1] - a[1] - t * (b[1] - a[1]));
}

/** Distance of a point from an open line, mm: from its nearest stretch, not only its nearest corner. */
export function gapToLine(point: Point, line: readonly Point[]): number {
  if (line.length === 1) return distance(point, line[0]);
  return Math.min(...line.slice(1).map((end, i) => pointGap(point, line[i], end)));
}

/**
 * How far a point lies from the edge of a region less some parts of it, mm; negative outside. A brush of twice this
 * width has room there.
 */
export function clearanceIn(region: Polygon, without: readonly Polygon[]): (point: Point) => number {
  // Edges as [ax, ay, bx − ax, by − ay], flat: this is asked for thousands of points.
  const edges = Float64Array.from(
    [region, ...without].flatMap((polygon) =>
      polygon.flatMap(segmentsOf).flatMap(([a, b]) => [a[0], a[1], b[0] - a[0], b[1] - a[1]]),
    ),
  );
  return (point) => {
    const [x, y] = point;
    let gap2 = Infinity;
    for (let i = 0; i < edges.length; i += 4) {
      const px = x - edges[i];
      const py = y - edges[i + 1];
      const dx = edges[i + 2];
      const dy = edges[i + 3];
      const length2 = dx * dx + dy * dy;
      const t = length2 === 0 ? 0 : Math.min(1, Math.max(0, (px * dx + py * dy) / length2));
      const across = px - t * dx;
      const down = py - t * dy;
      const away2 = across * across + down * down;
      if (away2 < gap2) gap2 = away2;
    }
    const inside = contains(region, point) && !without.some((part) => contains(part, point));
    return inside ? Math.sqrt(gap2) : -Math.sqrt(gap2);
  };
}

/** Smallest upright box round the outer ring: `[x, y, width, height]` in mm. */
export function bounds([outer]: Polygon): readonly [number, number, number, number] {
  const xs = outer.map(([x]) => x);
  const ys = outer.map(([, y]) => y);
  const [x, y] = [Math.min(...xs), Math.min(...ys)];
  return [x, y, Math.max(...xs) - x, Math.max(...ys) - y];
}

/** Whether the boxes round two regions meet: where they do not, neither do the regions. */
export function boxesMeet(one: Polygon, other: Polygon): boolean {
  const [[x, y, width, height], [otherX, otherY, otherWidth, otherHeight]] = [bounds(one), bounds(other)];
  return x <= otherX + otherWidth && otherX <= x + width && y <= otherY + otherHeight && otherY <= y + height;
}

/** The middle of the smallest upright box round a polygon. */
export function middleOf(polygon: Polygon): Point {
  const [x, y, width, height] = bounds(polygon);
  return [x + width / 2, y + height / 2];
}

/** A rectangle as a polygon, mm. */
export const rectangle = (x: number, y: number, width: number, height: number): Polygon => [
  [
    [x, y],
    [x + width, y],
    [x + width, y + height],
    [x, y + height],
  ],
];

/** A polygon with its holes as one ring, by a cut to each hole there and back: by the even-odd rule it holds the same points. */
export const oneRing = ([outer, ...holes]: Polygon): Ring =>
  holes.reduce<Point[]>((ring, hole) => [...ring, ...hole, hole[0], outer[0]], [...outer, outer[0]]);
