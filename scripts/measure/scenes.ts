// A scene for every effect of wet paper: for the pictures in the docs, and for what the kernel's twins must agree on.
import { Sheet } from './painted-sheet';

/** The sheet they are painted on. */
export const SCENE_SHEET = new Sheet(30, 611, 0.25);
const sheet = SCENE_SHEET;
const { middle } = sheet;
const disc = (r: number): object => ({ circle: [middle, middle, r] });
const drop = (atS: number, filmUm: number, pigments: object[] = [], r = 2): object => ({
  atS,
  kind: 'drop',
  shape: disc(r),
  filmUm,
  pigments,
});
const left = { rect: [0, 0, middle, sheet.sizeMm] as const };
const right = { rect: [middle, 0, middle, sheet.sizeMm] as const };
const rose = [{ pigment: 'PR122', gm2: 2 }];

/** What is painted, and when it is looked at wet. The order is that of the pictures in docs/water-model.md. */
export const SCENES: readonly { readonly acts: readonly object[]; readonly wetS: number }[] = [
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
