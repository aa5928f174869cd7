import type { Paper } from '../../materials/paper';
import { asPart, done, type Work } from '../../kit/units';
import { SURFACE_NOISE_DEVIATION, surfaceNoise } from './noise';
import { cellAt, type Panel, type PanelGrid } from './panel';
import { cornerOf, lookingAtRelief, RELIEF_PX_MM, type Relief } from './relief';

/** A relief of ± n µm means that nearly all of the sheet (two standard deviations) lies within n of its mean. */
const IN_DEVIATIONS = 0.5;

/** Unevenness of capacity, ± share at most, and its size, mm (fitted). */
const CAPACITY_VARIES = 0.2;
const CAPACITY_MM = 2.1;

/**
 * How strongly the surface holds water is log-normal, as pores are, of this standard deviation, in two sizes, mm (fitted to
 * blooms that branch; capillary invasion, Wilkinson & Willemsen 1983).
 */
const HOLD_DEVIATION = 0.6;
const HOLD_MM = [0.9, 3.2];

/** Points sampled along a cell's side where cells are coarser than the grain, so that they see its mean. */
const samplesOf = (cellMm: number): number => Math.max(1, Math.ceil(cellMm / 0.35));

/** How uneven a sheet is about its mean, in each cell, `[row · columns + column]`. */
interface Unevenness {
  readonly relief: Float64Array;
  readonly capacity: Float64Array;
  /** In its standard deviations. */
  readonly hold: Float64Array;
}

/** Sheets whose unevenness is kept, those asked for last: half-millimetre cells of a card take some 1.5 MB. */
const KEPT = 3;
const known = new Map<string, Unevenness>();

/** Looks how uneven a sheet is; done beforehand, what lays the sheet has it at once. */
export function* lookingAtSheet(
  { columns, rows, cellMm }: Pick<PanelGrid, 'columns' | 'rows' | 'cellMm'>,
  surface: Paper['surface'],
  seed: number,
): Work<Unevenness> {
  const key = [columns, rows, cellMm, surface, seed].join(' ');
  const found = known.get(key);
  if (found) return found;
  const tile = yield* asPart(lookingAtRelief(surface), 0, 0.5);
  const n = samplesOf(cellMm);
  const capacityNoise = surfaceNoise(CAPACITY_MM, 16 * seed);
  const holdNoises = HOLD_MM.map((sizeMm, i) => surfaceNoise(sizeMm, 16 * seed + 1 + i));
  const perDeviation = 1 / (SURFACE_NOISE_DEVIATION * Math.sqrt(HOLD_MM.length));
  const [capacity, hold] = Array.from({ length: 2 }, () => new Float64Array(columns * rows));
  for (let row = 0; row < rows; row++) {
    yield 0.5 + (0.5 * row) / rows;
    for (let column = 0; column < columns; column++) {
      const at = row * columns + column;
      for (let i = 0; i < n; i++)
        for (let j = 0; j < n; j++) {
          const x = (column + (i + 0.5) / n) * cellMm;
          const y = (row + (j + 0.5) / n) * cellMm;
          capacity[at] += capacityNoise(x, y) / n ** 2;
          for (const noise of holdNoises) hold[at] += (perDeviation * noise(x, y)) / n ** 2;
        }
    }
  }
  const uneven = { relief: meansOf(tile, { columns, rows, cellMm }, seed), capacity, hold };
  if (known.size >= KEPT) known.delete(known.keys().next().value!);
  known.set(key, uneven);
  return uneven;
}

/** Mean height of the relief in each cell, in its standard deviations. */
function meansOf(
  { side, height }: Relief,
  { columns, rows, cellMm }: Pick<PanelGrid, 'columns' | 'rows' | 'cellMm'>,
  seed: number,
): Float64Array {
  const means = new Float64Array(columns * rows);
  const [left, top] = cornerOf(seed);
  const point = (cell: number): number => Math.floor(cell * cellMm * RELIEF_PX_MM);
  for (let row = 0; row < rows; row++)
    for (let column = 0; column < columns; column++) {
      const [x0, y0] = [point(column), point(row)];
      const [x1, y1] = [Math.max(x0 + 1, point(column + 1)), Math.max(y0 + 1, point(row + 1))];
      let sum = 0;
      for (let y = y0; y < y1; y++)
        for (let x = x0; x < x1; x++) sum += height[((top + y) % side) * side + ((left + x) % side)];
      means[row * columns + column] = sum / ((x1 - x0) * (y1 - y0));
    }
  return means;
}

/** Lays a sheet of paper into a panel: relief, capacity, unevenness, all from the seed; everything dry and open. */
export function laySheet(panel: Panel, paper: Paper, seed: number): void {
  const { columns, rows } = panel;
  const { relief, capacity, hold } = done(lookingAtSheet(panel, paper.surface, seed));
  panel.open.fill(0);
  panel.capacity.fill(paper.capacityGm2);
  panel.hold.fill(1);
  panel.rim.fill(1);
  panel.warmth.fill(1);
  for (let row = 0; row < rows; row++)
    for (let column = 0; column < columns; column++) {
      const cell = cellAt(panel, column, row);
      const at = row * columns + column;
      panel.open[cell] = 1;
      panel.relief[cell] = IN_DEVIATIONS * paper.reliefUm * relief[at];
      panel.capacity[cell] = paper.capacityGm2 * (1 + CAPACITY_VARIES * capacity[at]);
      panel.hold[cell] = Math.exp(HOLD_DEVIATION * hold[at] - HOLD_DEVIATION ** 2 / 2);
    }
}
