// Paints every effect of docs/water-model.md, wet and dry, and writes them on two sheets into docs/water-effects.
import { mkdirSync, writeFileSync } from 'node:fs';
import { writePng } from '@kettle/core/formats';
import { plainPaintKernel } from '@kettle/core/pigment';
import { pictureOf, type PanelPicture } from '@kettle/core/water';
import { Sheet } from './measure/painted-sheet';

const FOLDER = 'docs/water-effects';
const SIZE_MM = 30;
const CELL_MM = 0.25;
/** Pixels of a tile's side, of the gap between tiles, and the part of the sheet that is enlarged. */
const TILE = 240;
const GAP = 12;
const ENLARGED = 1 / 3;
const ROWS_A_SHEET = 6;

const sheet = new Sheet(SIZE_MM, 611, CELL_MM);
const { middle } = sheet;
const disc = (r: number): object => ({ circle: [middle, middle, r] });
const drop = (atS: number, filmUm: number, pigments: object[] = [], r = 2): object => ({
  atS,
  kind: 'drop',
  shape: disc(r),
  filmUm,
  pigments,
});
const left = { rect: [0, 0, middle, SIZE_MM] as const };
const right = { rect: [middle, 0, middle, SIZE_MM] as const };
const rose = [{ pigment: 'PR122', gm2: 2 }];

/** What is painted, and when it is looked at wet. The order is that of the table in the docs. */
const EFFECTS: readonly { readonly acts: readonly object[]; readonly wetS: number }[] = [
  { acts: [sheet.wash('PB15:3', 0.6, 140, { circle: [middle, middle, 10] })], wetS: 20 },
  { acts: [sheet.wash('PY150', 0.3, 150), drop(4, 60, rose)], wetS: 34 },
  { acts: [sheet.wash('PY150', 0.3, 80), drop(115, 60, rose)], wetS: 145 },
  { acts: [sheet.wash('PB29', 1.2, 80), drop(15, 120)], wetS: 40 },
  { acts: [sheet.wash('PB29', 1.2, 80), drop(112, 120)], wetS: 170 },
  { acts: [sheet.wash('PB29', 1.2, 80), drop(2600, 120)], wetS: 2630 },
  {
    acts: [sheet.wash('PB29', 0.8, 100, left), { ...sheet.wash('PR122', 0.8, 100, right), atS: 2 }],
    wetS: 60,
  },
  {
    acts: [sheet.wash('PR122', 0.8, 100), { atS: 0, kind: 'tilt', xDeg: 0, yDeg: 8 }],
    wetS: 40,
  },
  {
    acts: [
      sheet.wash('PB15:3', 0.6, 100),
      {
        atS: 20,
        kind: 'salt',
        points: [
          [10, 10],
          [19, 13],
          [13, 21],
          [22, 22],
        ],
        grainMm: 1,
      },
    ],
    wetS: 80,
  },
  {
    acts: [sheet.wash('PB29', 1.2, 80), drop(112, 100, [{ pigment: 'MICA-gold', gm2: 4 }])],
    wetS: 170,
  },
  {
    acts: [sheet.wash('PB35', 1, 70), { atS: 2400, kind: 'scrub', shape: disc(5) }],
    wetS: 30,
  },
  {
    acts: [
      {
        atS: 0,
        kind: 'stroke',
        points: [
          [3, 8, 0.8],
          [27, 8, 0.8],
          [27, 15, 0.7],
          [3, 15, 0.6],
          [3, 22, 0.6],
          [27, 22, 0.6],
        ],
        brush: 'round-4',
        parts: [{ pigment: 'PB29', parts: 1 }],
        strength: 0.4,
      },
    ],
    wetS: 3,
  },
];

const DRY_S = 2500;

function painted({ acts, wetS }: (typeof EFFECTS)[number]): PanelPicture[] {
  return [wetS, wetS + DRY_S].map((atS) => pictureOf(sheet.painted(acts, atS), plainPaintKernel));
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
for (let first = 0; first < EFFECTS.length; first += ROWS_A_SHEET) {
  const rows = EFFECTS.slice(first, first + ROWS_A_SHEET);
  const [width, height] = [3, rows.length].map((tiles) => tiles * (TILE + GAP) + GAP);
  const rgb = new Uint8Array(3 * width * height).fill(128);
  rows.forEach((effect, row) => {
    const [wet, dry] = painted(effect);
    const y = GAP + row * (TILE + GAP);
    lay(rgb, width, GAP, y, wet, 1);
    lay(rgb, width, GAP + TILE + GAP, y, dry, 1);
    lay(rgb, width, GAP + 2 * (TILE + GAP), y, dry, ENLARGED);
  });
  const dpi = (25.4 * TILE) / SIZE_MM;
  writeFileSync(`${FOLDER}/sheet-${1 + first / ROWS_A_SHEET}.png`, writePng({ width, height, rgb, dpi }));
}
