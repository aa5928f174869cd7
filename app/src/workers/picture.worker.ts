import { expose } from 'comlink';
import { mergedPicture } from '@kettle/core/files/formats';
import {
  correctedOnPaper,
  patchColours,
  straightened,
  type Corners,
  type Photo,
} from '@kettle/core/drawing/photo';
import { readSwatchSheet } from '@kettle/core/files/prints';
import type { PictureApi } from './picture-api';

/** A picture is unpacked no larger than this along its longer edge, px: finer than any board shows it. */
const LARGEST_PX = 3000;

/** A colour pressed on a picture is that of a spot so wide, as a share of the picture. */
const SPOT = 0.02;

const WHOLE: Corners = [
  [0, 0],
  [1, 0],
  [1, 1],
  [0, 1],
];

async function unpacked(file: Blob): Promise<Photo> {
  const bitmap = await createImageBitmap(file);
  const scale = Math.min(1, LARGEST_PX / Math.max(bitmap.width, bitmap.height));
  const [width, height] = [bitmap.width, bitmap.height].map((px) => Math.max(1, Math.round(px * scale)));
  const context = new OffscreenCanvas(width, height).getContext('2d', { willReadFrequently: true })!;
  context.drawImage(bitmap, 0, 0, width, height);
  bitmap.close();
  return { width, height, rgba: context.getImageData(0, 0, width, height).data };
}

function packed({ width, height, rgba }: Photo): Promise<Blob> {
  const canvas = new OffscreenCanvas(width, height);
  const pixels = new ImageData(width, height);
  pixels.data.set(rgba);
  canvas.getContext('2d')!.putImageData(pixels, 0, 0);
  return canvas.convertToBlob({ type: 'image/png' });
}

const api: PictureApi = {
  merged(file) {
    return Promise.resolve(mergedPicture(file));
  },

  async sizeOf(file) {
    const bitmap = await createImageBitmap(file);
    const size = { widthPx: bitmap.width, heightPx: bitmap.height };
    bitmap.close();
    return size;
  },

  async coloursAt(file, bare, white, places) {
    const photo = correctedOnPaper(await unpacked(file), bare, white);
    return patchColours(
      photo,
      places.map(([x, y]) => ({ x: x - SPOT / 2, y: y - SPOT / 2, width: SPOT, height: SPOT })),
    );
  },

  async readSheet(file, marks, sheet, white) {
    return readSwatchSheet(await unpacked(file), marks, sheet, white);
  },

  async develop(file, { corners, bare, white, widthPx, heightPx }) {
    const straight = straightened(await unpacked(file), corners ?? WHOLE, widthPx, heightPx);
    return packed(correctedOnPaper(straight, bare, white));
  },
};

expose(api);
