import type { FlowNumbers } from './flow-numbers';
import { cellAt, type Panel } from './panel';

/**
 * How fast pigment spreads in the film of every cell, mm²/s, `[cell]`: by itself in deep films, faster where paint meets
 * water, and as it is stirred. How steeply paint meets water is asked of all four neighbours at once and not over one
 * face, and so is how fast the film moves: a front then runs as far between the grid's axes as along them.
 */
export function spreadingOf(panel: Panel, f: FlowNumbers): Float32Array {
  const { columns, rows, film, hold, speed, cells, cellMm } = panel;
  const painted = paintedOf(panel, f);
  const spreading = new Float32Array(cells);
  for (let row = 0; row < rows; row++)
    for (let column = 0; column < columns; column++) {
      const cell = cellAt(panel, column, row);
      const h = film[cell];
      if (h <= 0) continue;
      let squares = 0;
      if (column > 0) squares += squaredRise(painted, film, cell, cellAt(panel, column - 1, row));
      if (column + 1 < columns) squares += squaredRise(painted, film, cell, cellAt(panel, column + 1, row));
      if (row > 0) squares += squaredRise(painted, film, cell, cellAt(panel, column, row - 1));
      if (row + 1 < rows) squares += squaredRise(painted, film, cell, cellAt(panel, column, row + 1));
      const meets = Math.min(1, (f.spreadMeetingMm / cellMm) * Math.sqrt(0.5 * squares));
      spreading[cell] =
        (f.spreadDeep * h * h) / (h * h + f.spreadDeepUm * f.spreadDeepUm) +
        (f.spreadMeeting * meets * h * h * hold[cell]) / (h + f.spreadMeetingUm) +
        f.spreadStirred * speed[cell];
    }
  return spreading;
}

/** How far each cell's film is paint and not water, 0…1, `[cell]`. */
function paintedOf({ film, suspended, cells, species }: Panel, { slack }: FlowNumbers): Float32Array {
  const painted = new Float32Array(cells);
  for (let cell = 0; cell < cells; cell++) {
    const h = film[cell];
    if (h <= 0) continue;
    let total = 0;
    for (let i = 0; i < species; i++) total += suspended[i * cells + cell] / h;
    painted[cell] = (total * total) / (total * total + slack * slack);
  }
  return painted;
}

/** Where no film is, nothing is met. */
const squaredRise = (painted: Float32Array, film: Float32Array, cell: number, next: number): number =>
  film[next] > 0 ? (painted[next] - painted[cell]) ** 2 : 0;
