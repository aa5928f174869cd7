import type { PaintKernel } from '../../materials/pigment';
import { done, type Work } from '../../kit/units';
import { PaperPicture, type Painted, type PaperLook } from './paper-picture';

/** A panel as it looks, `[(row · columns + column) · 4 + channel]`. */
export interface PanelPicture {
  readonly columns: number;
  readonly rows: number;
  readonly rgba: Uint8ClampedArray;
}

/** How finely a panel is drawn, px/mm, and by which look. */
export interface PictureAsked {
  readonly pxPerMm: number;
  readonly look?: PaperLook;
}

/** What a panel looks like now. */
export function* picturing(
  painted: Painted,
  paint: PaintKernel,
  { pxPerMm, look }: PictureAsked,
): Work<PanelPicture> {
  const picture = new PaperPicture(painted, paint);
  const box = picture.whole(pxPerMm);
  return { columns: box.columns, rows: box.rows, rgba: yield* picture.colouring(box, look) };
}

/** The same in one go. */
export const pictureOf = (...asked: Parameters<typeof picturing>): PanelPicture => done(picturing(...asked));
