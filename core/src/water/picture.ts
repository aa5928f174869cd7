import { TWELVE_BANDS, thinned } from '../colour';
import { groundOf, interfaceAt, paintRecipe, type PaintKernel, type PaintTile } from '../pigment';
import { cellAt } from './panel';
import type { PanelRun } from './panel-run';
import { wetLook } from './stages';

/** A panel as it looks, `[(row · columns + column) · 4 + channel]`. */
export interface PanelPicture {
  readonly columns: number;
  readonly rows: number;
  readonly rgba: Uint8ClampedArray;
}

/** What a panel looks like now: everything on it as one film, as wet as it is; `dry` shows it as it will be dry. */
export function pictureOf(run: PanelRun, paint: PaintKernel, dry = false): PanelPicture {
  const { panel, pigments, paper } = run;
  const { columns, rows, cells } = panel;
  const recipe = paintRecipe(pigments);
  const tile = rowTile(run);
  tile.dryGround.set(repeated(thinned(groundOf(paper, []), TWELVE_BANDS), columns));
  tile.wetGround.set(repeated(thinned(groundOf(paper, [], interfaceAt(1)), TWELVE_BANDS), columns));
  const rgba = new Uint8ClampedArray(4 * columns * rows);
  for (let row = 0; row < rows; row++) {
    for (let column = 0; column < columns; column++) {
      const cell = cellAt(panel, column, row);
      tile.wetness[column] = dry ? 0 : wetLook(panel.film[cell], panel.paper[cell]);
      for (let i = 0; i < pigments.length; i++)
        tile.loads[i * columns + column] =
          panel.suspended[i * cells + cell] + panel.deposited[i * cells + cell];
    }
    paint.colour(recipe, tile);
    rgba.set(tile.rgba, 4 * columns * row);
  }
  return { columns, rows, rgba };
}

/** A tile of one row of cells. */
function rowTile({ panel: { columns }, pigments }: PanelRun): PaintTile {
  const bands = TWELVE_BANDS.index.length;
  return {
    pixels: columns,
    loads: new Float32Array(columns * pigments.length),
    wetness: new Float32Array(columns),
    dryGround: new Float32Array(columns * bands),
    wetGround: new Float32Array(columns * bands),
    rgba: new Uint8ClampedArray(4 * columns),
  };
}

function repeated(values: ArrayLike<number>, times: number): Float32Array {
  const out = new Float32Array(values.length * times);
  for (let i = 0; i < times; i++) out.set(values, i * values.length);
  return out;
}
