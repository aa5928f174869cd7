import type { Lab } from '@kettle/core/kit/colour';
import type { Corners, Picture } from '@kettle/core/drawing/photo';
import type { SwatchSheet } from '@kettle/core/files/prints';

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
  /** The merged picture of a layered file. Throws `BadInput` as `mergedPicture`. */
  merged(file: Uint8Array): Promise<Uint8Array>;
  /** The size of a picture as it is seen, px. Throws what the browser says of one it cannot unpack. */
  sizeOf(file: Blob): Promise<{ readonly widthPx: number; readonly heightPx: number }>;
  /** Colours at places of a picture, its light put right by bare paper. Throws `BadInput` as `correctedOnPaper`. */
  coloursAt(file: Blob, bare: Picture['bare'], white: Lab, places: Picture['bare']): Promise<Lab[]>;
  /** The painted blanks of a swatch sheet, in the order of its cells. Throws `BadInput` as `readSwatchSheet`. */
  readSheet(file: Blob, marks: Corners, sheet: SwatchSheet, white: Lab): Promise<Lab[]>;
  /** A PNG of a picture as it lies on the panel. Throws `BadInput` as `straightened` and `correctedOnPaper`. */
  develop(file: Blob, how: Development): Promise<Blob>;
}
