import type { PaintKernel } from '../../materials/pigment';
import { done, type Work } from '../../kit/units';
import { PaintedView } from './painted-view';
import type { PanelRun } from './panel-run';

/** A panel as it looks, `[(row · columns + column) · 4 + channel]`. */
export interface PanelPicture {
  readonly columns: number;
  readonly rows: number;
  readonly rgba: Uint8ClampedArray;
}

/** What a panel looks like now; `dry` shows it as it will be dry. */
export function* picturing(run: PanelRun, paint: PaintKernel, dry = false): Work<PanelPicture> {
  const { columns, rows } = run.panel;
  const box = { column: 0, row: 0, columns, rows };
  const rgba = yield* new PaintedView(run, paint).colouring(box, dry ? 'dry' : 'now');
  return { columns, rows, rgba };
}

/** The same in one go. */
export const pictureOf = (...asked: Parameters<typeof picturing>): PanelPicture => done(picturing(...asked));
