import type { PencilPoint } from './sketch';

/** The journal of a stroke keeps points in hundredths of a mm and pressure in thousandths; 3 numbers a point. */
const PER_MM = 100;
const PER_PRESSURE = 1000;

/** Packs points for the stroke journal: x, y in 0.01 mm and pressure in 0.001, length 3n. */
export function packPoints(points: readonly PencilPoint[]): Int32Array {
  return Int32Array.from(
    points.flatMap(([x, y, p]) => [
      Math.round(x * PER_MM),
      Math.round(y * PER_MM),
      Math.round(p * PER_PRESSURE),
    ]),
  );
}

/** The points of a packed journal entry. */
export function unpackPoints(packed: Int32Array): PencilPoint[] {
  return Array.from({ length: packed.length / 3 }, (_, i) => [
    packed[3 * i] / PER_MM,
    packed[3 * i + 1] / PER_MM,
    packed[3 * i + 2] / PER_PRESSURE,
  ]);
}
