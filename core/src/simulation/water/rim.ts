import { RIM_BOX_MM } from './flow-constants';
import type { FlowNumbers } from './flow-numbers';
import { cellAt, type Panel } from './panel';

/** Half the side of the box in cells: whole cells, and the share of the next that lies in it. */
export function rimReach(cellMm: number): { readonly whole: number; readonly part: number } {
  const half = RIM_BOX_MM / 2 / cellMm - 0.5;
  const whole = Math.max(0, Math.floor(half));
  return { whole, part: half > 0 ? half - whole : 0 };
}

/**
 * How much faster each wet cell dries than the middle of a wash: 1 + gain · the dry share of a box about it, which
 * means the same at every cell size. Beyond the panel's edge there is nothing, neither wet nor dry.
 */
export function findRims(panel: Panel, { rimGain, rimWet }: FlowNumbers): void {
  const { columns, rows, film, paper, rim, cellMm } = panel;
  const { whole, part } = rimReach(cellMm);
  const across = new Float32Array(panel.cells);
  const line = new Float32Array(Math.max(columns, rows));
  for (let row = 0; row < rows; row++) {
    for (let column = 0; column < columns; column++) {
      const cell = cellAt(panel, column, row);
      line[column] = film[cell] > 0 || paper[cell] > rimWet ? 1 : 0;
    }
    boxShare(line, columns, whole, part, (column, share) => {
      across[cellAt(panel, column, row)] = share;
    });
  }
  for (let column = 0; column < columns; column++) {
    for (let row = 0; row < rows; row++) line[row] = across[cellAt(panel, column, row)];
    boxShare(line, rows, whole, part, (row, share) => {
      rim[cellAt(panel, column, row)] = 1 + rimGain * (1 - share);
    });
  }
}

/** Mean over a box that slides along a line, cut off at its ends. */
function boxShare(
  line: Float32Array,
  n: number,
  whole: number,
  part: number,
  put: (k: number, share: number) => void,
): void {
  let sum = 0;
  for (let k = 0; k < Math.min(n, whole); k++) sum += line[k];
  for (let k = 0; k < n; k++) {
    if (k + whole < n) sum += line[k + whole];
    if (k - whole - 1 >= 0) sum -= line[k - whole - 1];
    const [before, after] = [k - whole - 1, k + whole + 1];
    let size = Math.min(n - 1, k + whole) - Math.max(0, k - whole) + 1;
    let total = sum;
    if (before >= 0) {
      total += part * line[before];
      size += part;
    }
    if (after < n) {
      total += part * line[after];
      size += part;
    }
    put(k, total / size);
  }
}
