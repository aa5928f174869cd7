// Paints every effect of docs/water-model.md, wet and dry, on three papers, and writes them on two sheets into docs/water-effects.
import { mkdirSync, writeFileSync } from 'node:fs';
import { writePng } from '@kettle/core/files/formats';
import { pictureOf, type PanelPicture } from '@kettle/core/simulation/picture';
import { paintKernelFromBuild } from '@kettle/kernels/node';
import { withPast } from './measure/painted-sheet';
import { SCENES, SCENE_SHEET } from './measure/scenes';

const FOLDER = 'docs/water-effects';
const PX_MM = 8;
const TILE = SCENE_SHEET.sizeMm * PX_MM;
const GAP = 12;
const ROWS_A_SHEET = 6;

/** What stands in a row of the sheets: wet on cold-pressed paper, then dry on three. */
const VIEWS = [
  { paper: 'cotton-cold-300', dry: false },
  { paper: 'cotton-hot-300', dry: true },
  { paper: 'cotton-cold-300', dry: true },
  { paper: 'cotton-rough-300', dry: true },
];
const DRY_S = 2500;

const kernel = paintKernelFromBuild();

const painted = ({ acts, wetS }: (typeof SCENES)[number]): PanelPicture[] =>
  VIEWS.map(({ paper, dry }) => {
    const run = SCENE_SHEET.painted(acts, wetS + (dry ? DRY_S : 0), { paper });
    return pictureOf(withPast(run, acts), kernel, { pxPerMm: PX_MM, look: dry ? 'dry' : 'now' });
  });

/** Copies a picture onto a sheet. */
function lay(rgb: Uint8Array, width: number, x: number, y: number, picture: PanelPicture): void {
  for (let row = 0; row < picture.rows; row++)
    for (let column = 0; column < picture.columns; column++)
      for (let channel = 0; channel < 3; channel++)
        rgb[3 * ((y + row) * width + x + column) + channel] =
          picture.rgba[4 * (row * picture.columns + column) + channel];
}

mkdirSync(FOLDER, { recursive: true });
for (let first = 0; first < SCENES.length; first += ROWS_A_SHEET) {
  const rows = SCENES.slice(first, first + ROWS_A_SHEET);
  const [width, height] = [VIEWS.length, rows.length].map((tiles) => tiles * (TILE + GAP) + GAP);
  const rgb = new Uint8Array(3 * width * height).fill(128);
  rows.forEach((effect, row) => {
    painted(effect).forEach((picture, view) => {
      lay(rgb, width, GAP + view * (TILE + GAP), GAP + row * (TILE + GAP), picture);
    });
  });
  writeFileSync(
    `${FOLDER}/sheet-${1 + first / ROWS_A_SHEET}.png`,
    writePng({ width, height, rgb, dpi: 25.4 * PX_MM }),
  );
}
