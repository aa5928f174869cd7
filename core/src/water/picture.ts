import type { PaintKernel } from '../pigment';
import { PaintedView } from './painted-view';
import type { PanelRun } from './panel-run';

/** A panel as it looks, `[(row · columns + column) · 4 + channel]`. */
export interface PanelPicture {
  readonly columns: number;
  readonly rows: number;
  readonly rgba: Uint8ClampedArray;
}

/** What a panel looks like now; `dry` shows it as it will be dry. */
export function pictureOf(run: PanelRun, paint: PaintKernel, dry = false): PanelPicture {
  const { columns, rows } = run.panel;
  const box = { column: 0, row: 0, columns, rows };
  return { columns, rows, rgba: new PaintedView(run, paint).colour(box, dry ? 'dry' : 'now') };
}
