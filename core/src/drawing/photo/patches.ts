import { LIGHT_OF_BYTE, labOfLight, type Lab } from '../../kit/colour';
import type { Photo } from './photo';

/** An upright rectangle in a picture, in shares of its width and height. */
export interface PhotoPatch {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

/** Of a patch only its middle is looked at: edges are darker where paint has dried, and blurred. */
const MIDDLE = 0.6;

/** The mean colour of each patch, by light and not by code; of a patch smaller than a pixel the pixel it lies on. */
export const patchColours = ({ width, height, rgba }: Photo, patches: readonly PhotoPatch[]): Lab[] =>
  patches.map((patch) => {
    const [left, right] = span(patch.x, patch.width, width);
    const [top, bottom] = span(patch.y, patch.height, height);
    const light: [number, number, number] = [0, 0, 0];
    for (let row = top; row <= bottom; row++)
      for (let column = left; column <= right; column++)
        for (let c = 0; c < 3; c++) light[c] += LIGHT_OF_BYTE[rgba[4 * (row * width + column) + c]];
    const count = (bottom - top + 1) * (right - left + 1);
    return labOfLight([light[0] / count, light[1] / count, light[2] / count]);
  });

/** First and last pixel of the middle of a stretch. */
function span(from: number, length: number, pixels: number): readonly [number, number] {
  const middle = from + length / 2;
  const pixel = (share: number): number => Math.min(pixels - 1, Math.max(0, Math.floor(share * pixels)));
  return [pixel(middle - (MIDDLE * length) / 2), pixel(middle + (MIDDLE * length) / 2)];
}
