import type { Work } from '../../kit/units';
import { changedCells, tileMarks } from './changed-cells';
import type { CellWindow } from './densities';
import type { PaperPicture } from './paper-picture';
import type { PixelBox } from './zones';

/** The picture of a whole sheet that is asked for again and again: what has not changed since is as it was. */
export class KeptPicture {
  private last: {
    readonly pxPerMm: number;
    readonly marks: readonly string[];
    readonly rgba: Uint8ClampedArray;
  } | null = null;

  constructor(private readonly picture: PaperPicture) {}

  /** The sheet as it looks now, `[(row · columns + column) · 4 + channel]`; it is the asker’s own. */
  *now(pxPerMm: number): Work<Uint8ClampedArray> {
    const { picture, last } = this;
    const { panel } = picture.run;
    const box = picture.whole(pxPerMm);
    const marks = tileMarks(picture.run, picture.layers);
    if (last?.pxPerMm !== pxPerMm) this.last = { pxPerMm, marks, rgba: yield* picture.colouring(box) };
    else {
      const changed = changedCells(panel, last.marks, marks);
      const part = changed && pixelsOf(changed, panel.cellMm, box);
      const rgba = part ? laidInto(last.rgba, box, yield* picture.colouring(part), part) : last.rgba;
      this.last = { pxPerMm, marks, rgba };
    }
    return this.last.rgba.slice();
  }
}

/** The pixels of some cells of the sheet. */
function pixelsOf(cells: CellWindow, cellMm: number, { pxPerMm, columns, rows }: PixelBox): PixelBox {
  const px = (cell: number, most: number): number => Math.min(most, Math.round(cell * cellMm * pxPerMm));
  const left = px(cells.column, columns);
  const top = px(cells.row, rows);
  return {
    ...{ pxPerMm, left, top },
    columns: px(cells.column + cells.columns, columns) - left,
    rows: px(cells.row + cells.rows, rows) - top,
  };
}

/** A picture with a part of it painted over. */
function laidInto(
  whole: Uint8ClampedArray,
  { columns }: PixelBox,
  part: Uint8ClampedArray,
  box: PixelBox,
): Uint8ClampedArray {
  const rgba = whole.slice();
  for (let row = 0; row < box.rows; row++)
    rgba.set(
      part.subarray(4 * row * box.columns, 4 * (row + 1) * box.columns),
      4 * ((box.top + row) * columns + box.left),
    );
  return rgba;
}
