import { cellAt, columnOfCell, rowOfCell, type PanelGrid } from './panel';
import { regionOf, type Shape } from './shape';

/** Points sampled along a cell's side at the edge of a shape. */
const SAMPLES = 4;

/** Calls `visit` for every cell of the panel a shape covers, with the share covered, 0…1; some may be passed over. */
export function coverage(
  grid: PanelGrid,
  shape: Shape,
  visit: (cell: number, share: number) => void,
  passOver?: (cell: number) => boolean,
): void {
  const { columns, rows, cellMm } = grid;
  const { bounds, holds, depth } = regionOf(shape);
  const [left, top, right, bottom] = bounds;
  /** A cell deep inside or well outside need not be sampled. */
  const shareOf = (column: number, row: number): number => {
    const deep = depth?.((column + 0.5) * cellMm, (row + 0.5) * cellMm) ?? 0;
    if (Math.abs(deep) > cellMm * Math.SQRT1_2) return deep > 0 ? 1 : 0;
    let inside = 0;
    for (let i = 0; i < SAMPLES; i++)
      for (let j = 0; j < SAMPLES; j++)
        if (holds((column + (i + 0.5) / SAMPLES) * cellMm, (row + (j + 0.5) / SAMPLES) * cellMm)) inside++;
    return inside / (SAMPLES * SAMPLES);
  };
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
      const cell = cellAt(grid, column, row);
      if (passOver?.(cell)) continue;
      const share = shareOf(column, row);
      if (share > 0) visit(cell, share);
    }
}

/** A film that comes onto a cell fills all of it: cells covered less than this are not wetted. */
const WETTED = 0.5;

/**
 * The cells a film on a shape wets, with how much of a cell's film each gets. What would lie on a cell that is covered less than
 * half lies on the best covered beside it, so that the film is as wide as the shape and holds as much; a shape too narrow to
 * cover half of any keeps the cells it has. `depth` is how much of the film lies at a cell, 0…1.
 */
export function filmShares(
  grid: PanelGrid,
  shape: Shape,
  depth: (cell: number) => number = () => 1,
): Map<number, number> {
  const covered = new Map<number, number>();
  coverage(grid, shape, (cell, share) => covered.set(cell, share));
  const given = new Map([...covered].map(([cell, share]) => [cell, share * depth(cell)]));
  for (const [cell, share] of covered) {
    if (share >= WETTED) continue;
    const best = neighbours(grid, cell).reduce(
      (most, other) => ((covered.get(other) ?? 0) > (covered.get(most) ?? 0) ? other : most),
      cell,
    );
    if ((covered.get(best) ?? 0) < WETTED) continue;
    given.set(best, given.get(best)! + given.get(cell)!);
    given.delete(cell);
  }
  return given;
}

/** The cells about a cell. */
function neighbours(grid: PanelGrid, cell: number): number[] {
  const [column, row] = [columnOfCell(grid, cell), rowOfCell(grid, cell)];
  const cells: number[] = [];
  for (let y = Math.max(0, row - 1); y <= Math.min(grid.rows - 1, row + 1); y++)
    for (let x = Math.max(0, column - 1); x <= Math.min(grid.columns - 1, column + 1); x++)
      cells.push(cellAt(grid, x, y));
  return cells;
}

/** The same through a stencil: only as far as that is open. */
export function coverageThrough(
  grid: PanelGrid,
  shape: Shape,
  stencil: Shape | undefined,
  visit: (cell: number, share: number) => void,
): void {
  if (!stencil) {
    coverage(grid, shape, visit);
    return;
  }
  const openings = new Map<number, number>();
  coverage(grid, stencil, (cell, share) => openings.set(cell, share));
  coverage(grid, shape, (cell, share) => {
    const opening = openings.get(cell) ?? 0;
    if (opening > 0) visit(cell, share * opening);
  });
}
