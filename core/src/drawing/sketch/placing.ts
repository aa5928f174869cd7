import type { Point, Polygon } from '../../kit/geometry';
import type { PencilPoint } from './sketch';

/** How drawn things are moved, scaled, turned or mirrored: x′ = ax + cy + e, y′ = bx + dy + f, in mm. */
export type Placing = readonly [a: number, b: number, c: number, d: number, e: number, f: number];

export const moved = (right: number, down: number): Placing => [1, 0, 0, 1, right, down];

export const scaled = (factor: number, about: Point): Placing => roundAbout(factor, 0, 0, factor, about);

/** Clockwise, as seen. */
export function turned(deg: number, about: Point): Placing {
  const [sin, cos] = [Math.sin((deg * Math.PI) / 180), Math.cos((deg * Math.PI) / 180)];
  return roundAbout(cos, sin, -sin, cos, about);
}

/** Left and right changed over, or head and foot. */
export const mirrored = (way: 'left-right' | 'upside-down', about: Point): Placing =>
  way === 'left-right' ? roundAbout(-1, 0, 0, 1, about) : roundAbout(1, 0, 0, -1, about);

/** Placings one after the other, as one. */
export const oneAfterAnother = (...placings: readonly Placing[]): Placing =>
  placings.reduce(([a, b, c, d, e, f], [A, B, C, D, E, F]) => [
    ...([A * a + C * b, B * a + D * b, A * c + C * d, B * c + D * d] as const),
    A * e + C * f + E,
    B * e + D * f + F,
  ]);

export const placedPoint = ([a, b, c, d, e, f]: Placing, [x, y]: Point): Point => [
  fine(a * x + c * y + e),
  fine(b * x + d * y + f),
];

export const placedLine = (placing: Placing, points: readonly PencilPoint[]): PencilPoint[] =>
  points.map(([x, y, pressure]) => [...placedPoint(placing, [x, y]), pressure]);

export const placedOutline = (placing: Placing, outline: Polygon): Polygon =>
  outline.map((ring) => ring.map((point) => placedPoint(placing, point)));

/** A placing that leaves a point where it is. */
const roundAbout = (a: number, b: number, c: number, d: number, [x, y]: Point): Placing => [
  ...([a, b, c, d] as const),
  x - a * x - c * y,
  y - b * x - d * y,
];

/** Micrometres are enough for a pencil, and keep a file short. */
const fine = (mm: number): number => Math.round(mm * 1000) / 1000;
