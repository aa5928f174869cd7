import type { LineKind, PencilLine, PencilPoint } from './sketch';

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

/** Many lines as a few flat arrays, which are copied fast from one place to another; nothing of them is rounded. */
export interface PackedLines {
  readonly ids: readonly string[];
  readonly kinds: readonly LineKind[];
  /** How many points each line has. */
  readonly counts: Int32Array;
  /** x, y and pressure of all points one after another, length 3 × the sum of the counts. */
  readonly values: Float64Array;
}

export function packLines(lines: readonly PencilLine[]): PackedLines {
  const counts = Int32Array.from(lines, ({ points }) => points.length);
  const values = new Float64Array(3 * counts.reduce((sum, count) => sum + count, 0));
  let at = 0;
  for (const { points } of lines)
    for (const [x, y, pressure] of points) {
      values[at++] = x;
      values[at++] = y;
      values[at++] = pressure;
    }
  return { ids: lines.map(({ id }) => id), kinds: lines.map(({ kind }) => kind), counts, values };
}

export function unpackLines({ ids, kinds, counts, values }: PackedLines): PencilLine[] {
  let at = 0;
  return ids.map((id, i) => ({
    id,
    kind: kinds[i],
    points: Array.from({ length: counts[i] }, (): PencilPoint => [values[at++], values[at++], values[at++]]),
  }));
}
