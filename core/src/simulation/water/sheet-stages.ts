import { cellAt } from './panel';
import type { PanelRun } from './panel-run';
import { STAGES, stageOf, type Stage } from './stages';

/** Share of a sheet at each stage of drying. */
export function sharesOfStages({ panel }: PanelRun): Readonly<Record<Stage, number>> {
  const shares = Object.fromEntries(STAGES.map((stage) => [stage, 0])) as Record<Stage, number>;
  const each = 1 / (panel.columns * panel.rows);
  for (let column = 0; column < panel.columns; column++)
    for (let row = 0; row < panel.rows; row++) {
      const cell = cellAt(panel, column, row);
      shares[stageOf(panel.film[cell], panel.paper[cell])] += each;
    }
  return shares;
}

/** The stage at a place, mm from the corner; off the sheet it is dry. */
export function stageAtPoint({ panel }: PanelRun, xMm: number, yMm: number): Stage {
  const [column, row] = [Math.floor(xMm / panel.cellMm), Math.floor(yMm / panel.cellMm)];
  if (column < 0 || row < 0 || column >= panel.columns || row >= panel.rows) return 'dry';
  const cell = cellAt(panel, column, row);
  return stageOf(panel.film[cell], panel.paper[cell]);
}
