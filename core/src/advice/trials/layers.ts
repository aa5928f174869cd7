import type { PaintKernel } from '../../materials/pigment';
import type { Work } from '../../kit/units';
import { PaperPicture, type PanelPicture } from '../../simulation/picture';
import type { Replay } from '../../simulation/water';

/** A pass of a sheet as a picture that lies over those before it. */
export interface SheetLayer {
  readonly name: string;
  /** Transparent paint darkens what is under it; what lightens, an opaque touch or a lift, hides it. */
  readonly lies: 'multiplied' | 'over';
  readonly picture: PanelPicture;
  /** It is no part of the picture, but lay on the sheet: the mask. */
  readonly hidden?: boolean;
}

/** What is laid between two moments, and its name. */
export interface LayerSpan {
  readonly name: string;
  readonly untilS: number;
}

/**
 * A sheet taken apart pass by pass, seen dry: the bare paper, then what each span of time brought. Laid over each other
 * they are the sheet again, to a byte or two.
 */
export function* sheetLayers(
  replay: Replay,
  paint: PaintKernel,
  spans: readonly LayerSpan[],
  pxPerMm: number,
): Work<SheetLayer[]> {
  const view = new PaperPicture(replay, paint);
  const box = view.whole(pxPerMm);
  const dry = (masked = false): PanelPicture => ({
    ...{ columns: box.columns, rows: box.rows },
    rgba: view.colour(box, 'dry', masked),
  });
  let under = dry();
  const layers: SheetLayer[] = [{ name: 'paper', lies: 'over', picture: under }];
  let laid = under;
  for (const [i, { name, untilS }] of spans.entries()) {
    for (const share of replay.goTo(untilS)) yield (i + share) / spans.length;
    under = dry();
    const layer = layerBetween(laid, under, name);
    if (!layer) continue;
    layers.push(layer);
    laid = laidOver(laid, layer);
  }
  const mask = maskLayer(under, dry(true));
  return mask ? [...layers, mask] : layers;
}

/** What is still masked, as it is seen; `null` where nothing is. */
function maskLayer(bare: PanelPicture, masked: PanelPicture): SheetLayer | null {
  const layer = layerBetween(bare, masked, 'mask');
  return (
    layer && {
      ...layer,
      ...{ lies: 'over', hidden: true },
      picture: { ...masked, rgba: only(masked.rgba, bare.rgba) },
    }
  );
}

/** What is other in one picture than in another. */
function only(picture: Uint8ClampedArray, than: Uint8ClampedArray): Uint8ClampedArray {
  const rgba = picture.slice();
  for (let at = 0; at < rgba.length; at += 4)
    rgba[at + 3] = [0, 1, 2].some((channel) => rgba[at + channel] !== than[at + channel]) ? 255 : 0;
  return rgba;
}

/** What leads from one picture to the next; `null` where nothing has changed. */
export function layerBetween(before: PanelPicture, after: PanelPicture, name: string): SheetLayer | null {
  const { columns, rows } = after;
  let [changed, lightens] = [false, false];
  for (let at = 0; at < after.rgba.length; at++) {
    if (after.rgba[at] !== before.rgba[at]) changed = true;
    if (after.rgba[at] > before.rgba[at] + ROUNDING) lightens = true;
  }
  if (!changed) return null;
  const rgba = new Uint8ClampedArray(after.rgba.length);
  for (let at = 0; at < rgba.length; at += 4) {
    const same = [0, 1, 2].every((channel) => after.rgba[at + channel] === before.rgba[at + channel]);
    for (let channel = 0; channel < 3; channel++) {
      const [from, to] = [before.rgba[at + channel], after.rgba[at + channel]];
      rgba[at + channel] = lightens ? to : from === 0 ? 255 : Math.min(255, Math.round((255 * to) / from));
    }
    rgba[at + 3] = same ? 0 : 255;
  }
  return { name, lies: lightens ? 'over' : 'multiplied', picture: { columns, rows, rgba } };
}

/** A picture with a layer laid over it. */
export function laidOver(under: PanelPicture, { lies, picture }: SheetLayer): PanelPicture {
  const rgba = under.rgba.slice();
  for (let at = 0; at < rgba.length; at += 4) {
    if (picture.rgba[at + 3] === 0) continue;
    for (let channel = 0; channel < 3; channel++) {
      const over = picture.rgba[at + channel];
      rgba[at + channel] = lies === 'over' ? over : Math.round((rgba[at + channel] * over) / 255);
    }
  }
  return { ...under, rgba };
}

/** A byte lighter is rounding, not paint. */
const ROUNDING = 1;
