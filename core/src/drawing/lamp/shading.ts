import { bounds, middleOf, rectangle, type Point, type Polygon, type Ring } from '../../kit/geometry';
import { ballRadius } from './cast-shadow';
import { dot, seen, toLamp, TO_EYE, type Direction, type Form, type Lamp } from './lamp';

/** Light falls on a surface by the cosine of its slant (Lambert). Above the first it is light, under the second in shade. Ours. */
const LIGHT_FROM = 0.6;
const SHADE_FROM = 0.12;

/** How a body is lit: shapes over its outline, to be cut to it. What is lit and not light is middle, the rest in shade. */
export interface Shading {
  /** Where the lamp is mirrored; `null` where the eye does not see that. */
  readonly highlight: Point | null;
  readonly light: Ring | null;
  readonly lit: Ring | null;
}

/** Highlight, light and shade of the body an area is the picture of. A box or what lies flat has one tone to a face. */
export function shadingOf(form: Form, outline: Polygon, lamp: Lamp): Shading {
  const light = toLamp(lamp);
  switch (form) {
    case 'ball':
      return ballShading(outline, light);
    case 'cylinder':
    case 'cone':
      return roundShading(form, outline, light);
    case 'box':
      return faceShading(outline, light[2]);
    case 'flat':
      return faceShading(outline, light[1]);
  }
}

function ballShading(outline: Polygon, light: Direction): Shading {
  const [middle, radius] = [middleOf(outline), ballRadius(outline)];
  const half = normalised([light[0] + TO_EYE[0], light[1] + TO_EYE[1], light[2] + TO_EYE[2]]);
  return {
    highlight: dot(half, TO_EYE) > 0 ? onBall(middle, radius, half) : null,
    light: capOnBall(middle, radius, light, LIGHT_FROM),
    lit: capOnBall(middle, radius, light, SHADE_FROM),
  };
}

const onBall = ([x, y]: Point, radius: number, normal: Direction): Point => {
  const [right, down] = seen(normal);
  return [x + radius * right, y + radius * down];
};

/** Points along each of the two curves that bound a cap. */
const FINE = 96;

/**
 * What is seen of that part of a ball whose normals make a cosine over `from` (0…1) with an axis: bounded by the seen
 * piece of its own circle, and where that goes round the edge of the ball, by the edge. `null` when nothing of it is seen.
 */
function capOnBall(middle: Point, radius: number, axis: Direction, from: number): Ring | null {
  const [u, w] = squareTo(axis);
  const rim = Math.sqrt(1 - from * from);
  const around = Array.from({ length: FINE }, (_, i): Direction => {
    const [c, s] = [rim * Math.cos((2 * Math.PI * i) / FINE), rim * Math.sin((2 * Math.PI * i) / FINE)];
    return [0, 1, 2].map((k) => from * axis[k] + c * u[k] + s * w[k]) as unknown as Direction;
  });
  const isSeen = around.map((normal) => dot(normal, TO_EYE) >= 0);
  const edge = edgeWithin(axis, from);
  const draw = (normals: readonly Direction[]): Ring =>
    normals.map((normal) => onBall(middle, radius, normal));
  if (isSeen.every(Boolean)) return draw(around);
  if (!isSeen.some(Boolean)) return edge.length > 0 ? draw(edge) : null;
  // The seen piece of the circle in one run, beginning where it comes round the edge.
  const begins = isSeen.findIndex((now, i) => now && !isSeen[(i + FINE - 1) % FINE]);
  const arc = Array.from({ length: FINE }, (_, i) => (begins + i) % FINE)
    .filter((i) => isSeen[i])
    .map((i) => around[i]);
  // The edge goes on from where the circle leaves it, back to where it came.
  const last = arc[arc.length - 1];
  const nearest = edge.length > 0 && gap(edge[0], last) > gap(edge[edge.length - 1], last);
  return draw([...arc, ...(nearest ? [...edge].reverse() : edge)]);
}

/** The normals along the ball’s seen edge that lie within a cap, in one run. */
function edgeWithin(axis: Direction, from: number): Direction[] {
  const [u, w] = squareTo(TO_EYE);
  const all = Array.from({ length: FINE }, (_, i): Direction => {
    const a = (2 * Math.PI * i) / FINE;
    return [0, 1, 2].map((k) => Math.cos(a) * u[k] + Math.sin(a) * w[k]) as unknown as Direction;
  });
  const inside = all.map((normal) => dot(normal, axis) > from);
  if (inside.every(Boolean)) return all;
  const begins = inside.findIndex((now, i) => now && !inside[(i + FINE - 1) % FINE]);
  return begins < 0
    ? []
    : Array.from({ length: FINE }, (_, i) => (begins + i) % FINE)
        .filter((i) => inside[i])
        .map((i) => all[i]);
}

const gap = (a: Direction, b: Direction): number => Math.hypot(a[0] - b[0], a[1] - b[1], a[2] - b[2]);

/** Two directions square to one another and to an axis. */
function squareTo(axis: Direction): readonly [Direction, Direction] {
  const least: Direction = Math.abs(axis[0]) < 0.9 ? [1, 0, 0] : [0, 1, 0];
  const u = normalised(cross(axis, least));
  return [u, cross(axis, u)];
}

const cross = (a: Direction, b: Direction): Direction => [
  a[1] * b[2] - a[2] * b[1],
  a[2] * b[0] - a[0] * b[2],
  a[0] * b[1] - a[1] * b[0],
];

function normalised([x, y, z]: Direction): Direction {
  const length = Math.hypot(x, y, z) || 1;
  return [x / length, y / length, z / length];
}

/**
 * An upright round body is light and dark in upright bands: at a turn φ from the right its normal is (cos φ, 0, sin φ).
 * On a cone they run together at the tip.
 */
function roundShading(form: 'cylinder' | 'cone', outline: Polygon, light: Direction): Shading {
  const [x, y, width, height] = bounds(outline);
  const [middle, radius] = [x + width / 2, width / 2];
  const towards = Math.atan2(light[2], light[0]);
  const band = (from: number, to: number): Ring => {
    const [left, right] = [middle + radius * from, middle + radius * to];
    return form === 'cylinder'
      ? rectangle(left, y, right - left, height)[0]
      : [
          [middle, y],
          [right, y + height],
          [left, y + height],
        ];
  };
  /** The seen part of those turns whose cosine with the lamp is over `from`. */
  const seenBand = (from: number): Ring | null => {
    const spread = Math.acos(from);
    const [first, last] = [Math.max(0, towards - spread), Math.min(Math.PI, towards + spread)];
    // From behind on the left the same turns are told with a whole turn more.
    const [again, end] = [Math.max(0, towards + 2 * Math.PI - spread), Math.PI];
    if (first < last) return band(Math.cos(last), Math.cos(first));
    return again < end ? band(Math.cos(end), Math.cos(again)) : null;
  };
  const highlightTurn = Math.atan2(light[2] + TO_EYE[2], light[0]);
  return {
    highlight:
      highlightTurn > 0 && highlightTurn < Math.PI
        ? [middle + radius * Math.cos(highlightTurn) * (form === 'cone' ? 0.5 : 1), y + height / 2]
        : null,
    light: seenBand(LIGHT_FROM),
    lit: seenBand(SHADE_FROM),
  };
}

/** One face, of one tone. */
function faceShading(outline: Polygon, cosine: number): Shading {
  const [x, y, width, height] = bounds(outline);
  const [face] = rectangle(x, y, width, height);
  return {
    highlight: null,
    light: cosine > LIGHT_FROM ? face : null,
    lit: cosine > SHADE_FROM ? face : null,
  };
}
