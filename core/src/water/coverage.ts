import { cellAt, type PanelGrid } from './panel';
import { regionOf, type Shape } from './shape';

/** Points sampled along a cell's side at the edge of a shape. */
const SAMPLES = 4;

/** Calls `visit` for every cell of the panel a shape covers, with the share covered, 0…1. */
export function coverage(grid: PanelGrid, shape: Shape, visit: (cell: number, share: number) => void): void {
  const { columns, rows, cellMm } = grid;
  const { bounds, holds } = regionOf(shape);
  const [left, top, right, bottom] = bounds;
  for (
    let row = Math.max(0, Math.floor(top / cellMm));
    row < Math.min(rows, Math.ceil(bottom / cellMm));
    row++
  )
    for (
      let column = Math.max(0, Math.floor(left / cellMm));
      column < Math.min(columns, Math.ceil(right / cellMm));
      column++
    ) {
      let inside = 0;
      for (let i = 0; i < SAMPLES; i++)
        for (let j = 0; j < SAMPLES; j++)
          if (holds((column + (i + 0.5) / SAMPLES) * cellMm, (row + (j + 0.5) / SAMPLES) * cellMm)) inside++;
      if (inside > 0) visit(cellAt(grid, column, row), inside / (SAMPLES * SAMPLES));
    }
}
