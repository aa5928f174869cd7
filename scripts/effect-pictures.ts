// Paints every effect of docs/water-model.md, wet and dry, and writes them on two sheets into docs/water-effects.
import { mkdirSync, writeFileSync } from 'node:fs';
import { writePng } from '@kettle/core/files/formats';
import { plainPaintKernel } from '@kettle/core/materials/pigment';
import { pictureOf, type PanelPicture } from '@kettle/core/simulation/water';
import { SCENES, SCENE_SHEET } from './measure/scenes';

const FOLDER = 'docs/water-effects';
/** Pixels of a tile's side, of the gap between tiles, and the part of the sheet that is enlarged. */
const TILE = 240;
const GAP = 12;
const ENLARGED = 1 / 3;
const ROWS_A_SHEET = 6;

const DRY_S = 2500;

function painted({ acts, wetS }: (typeof SCENES)[number]): PanelPicture[] {
  return [wetS, wetS + DRY_S].map((atS) => pictureOf(SCENE_SHEET.painted(acts, atS), plainPaintKernel));
}

/** Copies a part of a picture onto a sheet, enlarged as a whole number of steps would not be: by the nearest cell. */
function lay(
  rgb: Uint8Array,
  width: number,
  x: number,
  y: number,
  picture: PanelPicture,
  share: number,
): void {
  const from = (picture.columns * (1 - share)) / 2;
  for (let row = 0; row < TILE; row++)
    for (let column = 0; column < TILE; column++) {
      const [cx, cy] = [column, row].map((at) => Math.floor(from + (at * picture.columns * share) / TILE));
      for (let channel = 0; channel < 3; channel++)
        rgb[3 * ((y + row) * width + x + column) + channel] =
          picture.rgba[4 * (cy * picture.columns + cx) + channel];
    }
}

mkdirSync(FOLDER, { recursive: true });
for (let first = 0; first < SCENES.length; first += ROWS_A_SHEET) {
  const rows = SCENES.slice(first, first + ROWS_A_SHEET);
  const [width, height] = [3, rows.length].map((tiles) => tiles * (TILE + GAP) + GAP);
  const rgb = new Uint8Array(3 * width * height).fill(128);
  rows.forEach((effect, row) => {
    const [wet, dry] = painted(effect);
    const y = GAP + row * (TILE + GAP);
    lay(rgb, width, GAP, y, wet, 1);
    lay(rgb, width, GAP + TILE + GAP, y, dry, 1);
    lay(rgb, width, GAP + 2 * (TILE + GAP), y, dry, ENLARGED);
  });
  const dpi = (25.4 * TILE) / SCENE_SHEET.sizeMm;
  writeFileSync(`${FOLDER}/sheet-${1 + first / ROWS_A_SHEET}.png`, writePng({ width, height, rgb, dpi }));
}
