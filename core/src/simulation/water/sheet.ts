import type { Paper } from '../../materials/paper';
import { done, type Work } from '../../kit/units';
import { surfaceNoise } from './noise';
import { cellAt, type Panel, type PanelGrid } from './panel';

/** Layers of a sheet's relief: their size, mm, and share of its height (felt marks at 1.3 mm, fibres below; fitted). */
const GRAIN = [
  { sizeMm: 1.3, share: 0.45 },
  { sizeMm: 0.9, share: 0.35 },
  { sizeMm: 0.7, share: 0.5 },
  { sizeMm: 0.45, share: 0.25 },
];
/** A relief of ± n µm means that nearly all of the sheet (two standard deviations) lies within n of its mean. */
const TWO_SIGMA = 0.48;

/** Unevenness of capacity and of the surface's hold on a bead, ± share at most, and their size, mm (fitted). */
const CAPACITY_VARIES = 0.2;
const CAPACITY_MM = 2.1;
const HOLD_VARIES = 0.4;
const HOLD_MM = 0.9;

/** Points sampled along a cell's side where cells are coarser than the grain, so that they see its mean. */
const samplesOf = (cellMm: number): number => Math.max(1, Math.ceil(cellMm / 0.35));

/** How uneven a sheet is about its mean, summed over the points sampled in a cell, `[row · columns + column]`. */
interface Unevenness {
  readonly relief: Float64Array;
  readonly capacity: Float64Array;
  readonly hold: Float64Array;
}

/** Sheets whose unevenness is kept, those asked for last: half-millimetre cells of a card take some 1.5 MB. */
const KEPT = 3;
const known = new Map<string, Unevenness>();

/** Looks how uneven a sheet is; done beforehand, what lays the sheet has it at once. */
export function* lookingAtSheet(
  { columns, rows, cellMm }: Pick<PanelGrid, 'columns' | 'rows' | 'cellMm'>,
  seed: number,
): Work<Unevenness> {
  const key = [columns, rows, cellMm, seed].join(' ');
  const found = known.get(key);
  if (found) return found;
  const n = samplesOf(cellMm);
  const grains = GRAIN.map(({ sizeMm, share }, layer) => ({
    share,
    noise: surfaceNoise(sizeMm, 16 * seed + layer),
  }));
  const capacityNoise = surfaceNoise(CAPACITY_MM, 16 * seed + GRAIN.length);
  const holdNoise = surfaceNoise(HOLD_MM, 16 * seed + GRAIN.length + 1);
  const [relief, capacity, hold] = Array.from({ length: 3 }, () => new Float64Array(columns * rows));
  for (let row = 0; row < rows; row++) {
    yield row / rows;
    for (let column = 0; column < columns; column++) {
      const at = row * columns + column;
      for (let i = 0; i < n; i++)
        for (let j = 0; j < n; j++) {
          const x = (column + (i + 0.5) / n) * cellMm;
          const y = (row + (j + 0.5) / n) * cellMm;
          for (const { share, noise } of grains) relief[at] += share * noise(x, y);
          capacity[at] += capacityNoise(x, y);
          hold[at] += holdNoise(x, y);
        }
    }
  }
  if (known.size >= KEPT) known.delete(known.keys().next().value!);
  known.set(key, { relief, capacity, hold });
  return { relief, capacity, hold };
}

/** Lays a sheet of paper into a panel: relief, capacity, unevenness, all from the seed; everything dry and open. */
export function laySheet(panel: Panel, paper: Paper, seed: number): void {
  const { columns, rows, cellMm } = panel;
  const samples = samplesOf(cellMm) ** 2;
  const { relief, capacity, hold } = done(lookingAtSheet(panel, seed));
  panel.open.fill(0);
  panel.capacity.fill(paper.capacityGm2);
  panel.grain.fill(1);
  panel.rim.fill(1);
  panel.warmth.fill(1);
  for (let row = 0; row < rows; row++)
    for (let column = 0; column < columns; column++) {
      const cell = cellAt(panel, column, row);
      const at = row * columns + column;
      panel.open[cell] = 1;
      panel.relief[cell] = (paper.reliefUm * relief[at]) / samples / TWO_SIGMA;
      panel.capacity[cell] = paper.capacityGm2 * (1 + (CAPACITY_VARIES * capacity[at]) / samples);
      panel.grain[cell] = 1 + (HOLD_VARIES * hold[at]) / samples;
    }
}
