import type { Lab } from '@kettle/core/colour';
import type { Corners, Picture } from '@kettle/core/photo';

/** How a picture is set straight and its light put right. */
export interface Development {
  readonly corners: Corners | null;
  readonly bare: Picture['bare'];
  /** The white of the card’s paper. */
  readonly white: Lab;
  readonly widthPx: number;
  readonly heightPx: number;
}

/** Pictures are unpacked, set straight and packed again beside the page, not on it. */
export interface PictureApi {
  /** The size of a picture as it is seen, px. Throws what the browser says of one it cannot unpack. */
  sizeOf(file: Blob): Promise<{ readonly widthPx: number; readonly heightPx: number }>;
  /** A PNG of a picture as it lies on the panel. Throws `BadInput` as `straightened` and `correctedOnPaper`. */
  develop(file: Blob, how: Development): Promise<Blob>;
}
