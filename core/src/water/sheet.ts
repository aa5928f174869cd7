import type { Paper } from '../paper';
import { surfaceNoise } from './noise';
import { cellAt, type Panel } from './panel';

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

/** Lays a sheet of paper into a panel: relief, capacity, unevenness, all from the seed; everything dry and open. */
export function laySheet(panel: Panel, paper: Paper, seed: number): void {
  const { columns, rows, cellMm } = panel;
  const n = samplesOf(cellMm);
  const grains = GRAIN.map(({ sizeMm, share }, layer) => ({
    share,
    noise: surfaceNoise(sizeMm, 16 * seed + layer),
  }));
  const capacityNoise = surfaceNoise(CAPACITY_MM, 16 * seed + GRAIN.length);
  const holdNoise = surfaceNoise(HOLD_MM, 16 * seed + GRAIN.length + 1);
  panel.open.fill(0);
  panel.capacity.fill(paper.capacityGm2);
  panel.grain.fill(1);
  panel.rim.fill(1);
  panel.warmth.fill(1);
  for (let row = 0; row < rows; row++)
    for (let column = 0; column < columns; column++) {
      const cell = cellAt(panel, column, row);
      let relief = 0;
      let capacity = 0;
      let hold = 0;
      for (let i = 0; i < n; i++)
        for (let j = 0; j < n; j++) {
          const x = (column + (i + 0.5) / n) * cellMm;
          const y = (row + (j + 0.5) / n) * cellMm;
          for (const { share, noise } of grains) relief += share * noise(x, y);
          capacity += capacityNoise(x, y);
          hold += holdNoise(x, y);
        }
      panel.open[cell] = 1;
      panel.relief[cell] = (paper.reliefUm * relief) / (n * n) / TWO_SIGMA;
      panel.capacity[cell] = paper.capacityGm2 * (1 + (CAPACITY_VARIES * capacity) / (n * n));
      panel.grain[cell] = 1 + (HOLD_VARIES * hold) / (n * n);
    }
}
