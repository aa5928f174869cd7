import { cellAt, type Panel, type PanelRun } from '../water';
import type { CellWindow } from './densities';
import { layersNear, type PaintedLayer } from './painted-outlines';

/** Cells along the side of a tile. */
const TILE = 16;

/** What is on each tile of a sheet: its water and paint, and the outlines that come near it. */
export function tileMarks({ panel, acting }: PanelRun, layers: readonly PaintedLayer[]): string[] {
  const { cellMm } = panel;
  const across = Math.ceil(panel.columns / TILE);
  const down = Math.ceil(panel.rows / TILE);
  const marks: string[] = [];
  for (let tile = 0; tile < across * down; tile++) {
    const [left, top] = [(tile % across) * TILE, Math.floor(tile / across) * TILE];
    const [right, bottom] = [Math.min(panel.columns, left + TILE), Math.min(panel.rows, top + TILE)];
    let sum = 0;
    for (let row = top; row < bottom; row++)
      for (let column = left; column < right; column++) {
        const cell = cellAt(panel, column, row);
        sum += 3 * panel.film[cell] + 7 * panel.paper[cell];
        for (const i of acting) {
          const at = i * panel.cells + cell;
          sum += (11 + i) * (panel.suspended[at] + panel.deposited[at]);
        }
      }
    const near = layersNear(layers, left * cellMm, top * cellMm, right * cellMm, bottom * cellMm);
    marks.push([sum, ...near.map(({ name }) => name)].join(' '));
  }
  return marks;
}

/** The cells that may look different, since there, or beside, something has changed; `null` where nothing has. */
export function changedCells(
  { columns, rows }: Panel,
  before: readonly string[],
  now: readonly string[],
): CellWindow | null {
  const across = Math.ceil(columns / TILE);
  const changed = now.flatMap((mark, tile) => (mark === before[tile] ? [] : [tile]));
  if (changed.length === 0) return null;
  const xs = changed.map((tile) => tile % across);
  const ys = changed.map((tile) => Math.floor(tile / across));
  const from = (tiles: readonly number[]): number => Math.max(0, (Math.min(...tiles) - 1) * TILE);
  const to = (tiles: readonly number[], most: number): number =>
    Math.min(most, (Math.max(...tiles) + 2) * TILE);
  const [column, row] = [from(xs), from(ys)];
  return { column, row, columns: to(xs, columns) - column, rows: to(ys, rows) - row };
}
