import type { PanelPicture } from '@kettle/core/simulation/picture';

const made = new WeakMap<PanelPicture, string>();

/** A picture of the panel as something an image element can show; made once. */
export function pictureHref(picture: PanelPicture): string {
  const known = made.get(picture);
  if (known) return known;
  const canvas = document.createElement('canvas');
  canvas.width = picture.columns;
  canvas.height = picture.rows;
  const pixels = new ImageData(picture.columns, picture.rows);
  pixels.data.set(picture.rgba);
  canvas.getContext('2d')!.putImageData(pixels, 0, 0);
  const href = canvas.toDataURL('image/png');
  made.set(picture, href);
  return href;
}
