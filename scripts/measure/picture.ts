import { deltaE00, labOfLight, LIGHT_OF_BYTE, type Lab } from '@kettle/core/kit/colour';
import { loadFont, setWords, wordsSchema } from '@kettle/core/drawing/lettering';
import { contains, gapToLine, oneRing, polygonArea, type Point } from '@kettle/core/kit/geometry';
import { done } from '@kettle/core/kit/units';
import { filled } from '@kettle/core/order/areas';
import { PaperPicture, type Painted } from '@kettle/core/simulation/picture';
import type { PanelRun } from '@kettle/core/simulation/water';
import { paintKernelFromBuild } from '@kettle/kernels/node';
import type { Measured } from './limits';
import { Sheet, withPast } from './painted-sheet';
import { mean, variationOf } from './random';

const paint = paintKernelFromBuild();
const DRY_S = 2500;

/** A sheet on which acts were done, dry, ready to be drawn. */
function dried(
  sizeMm: number,
  seed: number,
  acts: readonly object[],
  more: { paper?: string; cellMm?: number; stopS?: number } = {},
): Painted {
  const run = new Sheet(sizeMm, seed).painted(acts, more.stopS ?? DRY_S, more);
  return withPast(run, acts);
}

const wash = (pigment: string, shape: object, atS = 0, filmUm = 80): object => ({
  ...{ atS, kind: 'wash', shape, filmUm },
  pigments: [{ pigment, gm2: 1 }],
});

/** What lies at the pixels of a part of a sheet, g/m². */
function loads(
  painted: Painted,
  pxPerMm: number,
  [left, top, width, height]: readonly [number, number, number, number],
  species = 0,
): { columns: number; rows: number; values: Float32Array } {
  const px = (mm: number): number => Math.round(mm * pxPerMm);
  const box = { pxPerMm, left: px(left), top: px(top), columns: px(width), rows: px(height) };
  const values = done(new PaperPicture(painted, paint).loads(box, species));
  return { columns: box.columns, rows: box.rows, values };
}

const spread = (values: Float32Array): number => variationOf([...values]);

/** Scenes in which pigment is counted twice: in the cells and in the picture. */
const SCENES: readonly (readonly object[])[] = [
  [wash('PB29', { circle: [15, 15, 10.3] })],
  [wash('PR122', { rect: [3.3, 4.1, 23, 20] }), wash('PB29', { rect: [12.7, 4.1, 13.6, 20] }, 1800)],
  [
    { atS: 0, kind: 'mask', shape: { circle: [15, 15, 4.6] } },
    wash('PB15:3', { rect: [2.2, 2.2, 25.6, 25.6] }),
  ],
  [
    wash('PY150', { rect: [-1, -1, 32, 32] }),
    {
      ...{ atS: 60, kind: 'drop', shape: { circle: [14, 16, 3] }, filmUm: 60 },
      pigments: [{ pigment: 'PR122', gm2: 2 }],
    },
  ],
];

/** How far the picture's whole is from the cells', and a cell's mean inside a wash from what it holds, %. */
function massOff(): { wholePercent: number; insideP95Percent: number } {
  const whole: number[] = [];
  const inside: number[] = [];
  for (const [i, acts] of SCENES.entries()) {
    const painted = dried(30, 911 + i, acts);
    const { panel, pigments } = painted.run;
    for (let species = 0; species < pigments.length; species++) {
      const { columns, values } = loads(painted, 8, [0, 0, 30, 30], species);
      const held = heldBy(painted.run, species);
      const total = held.reduce((sum, gm2) => sum + gm2, 0) * panel.cellMm ** 2;
      if (total === 0) continue;
      whole.push(100 * Math.abs(values.reduce((sum, gm2) => sum + gm2, 0) / 64 / total - 1));
      const px = 8 * panel.cellMm;
      const densest = Math.max(...held);
      for (let row = 2; row < panel.rows - 2; row++)
        for (let column = 2; column < panel.columns - 2; column++) {
          const about = [-2, -1, 0, 1, 2].flatMap((dy) =>
            [-2, -1, 0, 1, 2].map((dx) => held[(row + dy) * panel.columns + column + dx]),
          );
          // Well inside a wash: everything about it is about as dense.
          if (Math.min(...about) < 0.6 * densest) continue;
          let sum = 0;
          for (let y = 0; y < px; y++)
            for (let x = 0; x < px; x++) sum += values[(row * px + y) * columns + column * px + x];
          inside.push(100 * Math.abs(sum / px ** 2 / held[row * panel.columns + column] - 1));
        }
    }
  }
  inside.sort((a, b) => a - b);
  return { wholePercent: Math.max(...whole), insideP95Percent: inside[Math.floor(0.95 * inside.length)] };
}

/** What each cell holds of a pigment, row by row, g/m². */
function heldBy(run: PanelRun, species: number): number[] {
  const sheet = new Array<number>(run.panel.columns * run.panel.rows);
  const { panel } = run;
  for (let row = 0; row < panel.rows; row++)
    for (let column = 0; column < panel.columns; column++) {
      const at = species * panel.cells + (((column >> 4) * panel.height + row) << 4) + (column & 15);
      sheet[row * panel.columns + column] = panel.suspended[at] + panel.deposited[at];
    }
  return sheet;
}

const ALL = { rect: [-2, -2, 44, 44] };

/** Contrast of a flat wash at 8 px/mm, its skew, and how far apart places stop going together, mm. */
function grain(pigment: string, paper: string): { cv: number; skew: number; lengthMm: number } {
  const { columns, rows, values } = loads(dried(40, 733, [wash(pigment, ALL)], { paper }), 8, [8, 8, 24, 24]);
  const average = mean([...values]);
  const off = values.map((value) => value - average);
  const variance = mean([...off].map((value) => value ** 2));
  const skew = mean([...off].map((value) => value ** 3)) / variance ** 1.5;
  const together = (step: number): number => {
    let sum = 0;
    for (let row = 0; row < rows; row++)
      for (let column = 0; column < columns - step; column++)
        sum += off[row * columns + column] * off[row * columns + column + step];
    return sum / (rows * (columns - step)) / variance;
  };
  let step = 1;
  while (step < 40 && together(step) > Math.exp(-1)) step++;
  return { cv: spread(values), skew, lengthMm: step / 8 };
}

/** How much darker the line along a straight edge is than what lies inside, and half its width, mm. */
function rim(filmUm: number, paper: string): { peak: number; halfWidthMm: number } {
  const painted = dried(40, 517, [wash('PR122', { rect: [-2, -2, 22.3, 44] }, 0, filmUm)], { paper });
  const { columns, rows, values } = loads(painted, 8, [0, 6, 40, 28]);
  const along = (column: number): number => {
    let sum = 0;
    for (let row = 0; row < rows; row++) sum += values[row * columns + column];
    return sum / rows;
  };
  const edge = Math.floor(20.3 * 8);
  const inner = mean([8, 9, 10, 11].map((mm) => along(edge - 8 * mm)));
  let top = edge;
  for (let column = edge - 8; column <= edge; column++) if (along(column) > along(top)) top = column;
  const peak = along(top) / inner;
  let half = top;
  while (half > 0 && along(half) / inner > 1 + (peak - 1) / 2) half--;
  return { peak, halfWidthMm: (edge - half) / 8 };
}

/** How far the drawn edge of a disc lies from the circle at most, mm. */
function outlineOff(cellMm: number): number {
  const radius = 8.3;
  const painted = dried(24, 611, [wash('PR122', { circle: [12, 12, radius] })], { cellMm });
  const { columns, rows, values } = loads(painted, 12, [0, 0, 24, 24]);
  const inside = values[144 * columns + 144];
  let worst = 0;
  for (let row = 0; row < rows; row++)
    for (let column = 0; column < columns; column++) {
      const beyond = Math.hypot((column + 0.5) / 12 - 12, (row + 0.5) / 12 - 12) - radius;
      const isPainted = values[row * columns + column] > 0.5 * inside;
      if (isPainted === beyond > 0) worst = Math.max(worst, Math.abs(beyond));
    }
  return worst;
}

/** How far the drawn edges of painted letters lie from their outlines at most, mm. */
async function lettersOff(capHeightMm: number, cellMm: number): Promise<number> {
  const PX_MM = 12;
  const font = await loadFont('rounded');
  const words = wordsSchema.parse({
    ...{ id: 'w', text: 'Ranger', font: font.id, capHeightMm, from: [2, 18], to: [34, 18] },
    ...{ archMm: 0, slantDeg: 0, spacingMm: 0.4, set: 'middle' },
  });
  const letters = setWords(words, font).letters.flatMap(({ contours }) => filled(contours));
  const acts = letters.map((letter) => wash('PR122', { polygon: oneRing(letter) }));
  const { columns, rows, values } = loads(dried(36, 611, acts, { cellMm }), PX_MM, [0, 0, 36, 36]);
  const lines = letters.flatMap((letter) => letter.map((ring) => [...ring, ring[0]]));
  const areaMm2 = letters.reduce((sum, letter) => sum + polygonArea(letter), 0);
  const painted = values.reduce((sum, gm2) => sum + gm2, 0) / PX_MM ** 2 / areaMm2;
  let worst = 0;
  for (let row = 0; row < rows; row++)
    for (let column = 0; column < columns; column++) {
      const at: Point = [(column + 0.5) / PX_MM, (row + 0.5) / PX_MM];
      const isPainted = values[row * columns + column] > 0.5 * painted;
      if (isPainted !== letters.some((letter) => contains(letter, at)))
        worst = Math.max(worst, Math.min(...lines.map((line) => gapToLine(at, line))));
    }
  return worst;
}

/** The same painting in other cells: mean ΔE00 of boxes of 2 mm. */
function betweenCells(one: number, other: number): number {
  const acts = [
    wash('PB29', { rect: [3.2, 3.2, 30, 24] }),
    wash('PR122', { circle: [20.4, 22.3, 9.2] }, 1500),
  ];
  const [a, b] = [one, other].map((cellMm) => {
    const picture = new PaperPicture(dried(36, 377, acts, { cellMm, stopS: 4000 }), paint);
    return picture.colour(picture.whole(8), 'dry');
  });
  const boxPx = 16;
  const across = (36 * 8) / boxPx;
  const labOf = (rgba: Uint8ClampedArray, box: number): Lab => {
    const light = [0, 0, 0];
    const [left, top] = [(box % across) * boxPx, Math.floor(box / across) * boxPx];
    for (let y = 0; y < boxPx; y++)
      for (let x = 0; x < boxPx; x++)
        for (let channel = 0; channel < 3; channel++)
          light[channel] += LIGHT_OF_BYTE[rgba[4 * ((top + y) * 36 * 8 + left + x) + channel]] / boxPx ** 2;
    return labOfLight(light as [number, number, number]);
  };
  return mean(Array.from({ length: across ** 2 }, (_, box) => deltaE00(labOf(a, box), labOf(b, box))));
}

/** How long a panel of 150 × 100 mm takes to be drawn, ms: the quickest of some, but for the first. */
function drawingMs(pxPerMm: number, part: readonly [number, number] | null = null): number {
  const run = new Sheet(150, 41).painted(
    [wash('PB29', { rect: [4, 4, 142, 92] }), wash('PR122', { circle: [70, 50, 30.3] }, 900)],
    1000,
  );
  const painted = withPast(run, [
    wash('PB29', { rect: [4, 4, 142, 92] }),
    wash('PR122', { circle: [70, 50, 30.3] }, 900),
  ]);
  const picture = new PaperPicture(painted, paint);
  const [width, height] = part ?? [150, 100];
  const box = {
    ...{ pxPerMm, left: Math.round(30 * (part ? pxPerMm : 0)), top: Math.round(30 * (part ? pxPerMm : 0)) },
    columns: Math.round(width * pxPerMm),
    rows: Math.round(height * pxPerMm),
  };
  const times = Array.from({ length: 6 }, () => {
    const begunMs = performance.now();
    picture.colour(box);
    return performance.now() - begunMs;
  });
  return Math.min(...times.slice(1));
}

/** The picture of the paper against its cells, the plan's geometry, and what it may cost. */
export async function measurePicture(): Promise<Measured> {
  const mass = massOff();
  const figures: Record<string, number> = { ...mass };
  const below: Record<string, number> = { wholePercent: 0.5, insideP95Percent: 1 };
  const above: Record<string, number> = {};
  const bands: Record<string, readonly [number, number]> = {
    hot: [0.06, 0.1],
    cold: [0.14, 0.2],
    rough: [0.23, 0.32],
  };
  for (const [kind, [from, to]] of Object.entries(bands)) {
    const { cv, skew, lengthMm } = grain('PB29', `cotton-${kind}-300`);
    Object.assign(figures, { [`${kind} PB29`]: cv, [`${kind} skew`]: skew, [`${kind} lengthMm`]: lengthMm });
    Object.assign(above, { [`${kind} PB29`]: from, [`${kind} skew`]: 0, [`${kind} lengthMm`]: 0.2 });
    Object.assign(below, { [`${kind} PB29`]: to, [`${kind} lengthMm`]: 0.5 });
  }
  figures['cold PR122'] = grain('PR122', 'cotton-cold-300').cv;
  below['cold PR122'] = 0.04;
  for (const filmUm of [60, 100, 140]) {
    const { peak, halfWidthMm } = rim(filmUm, 'cotton-cold-300');
    Object.assign(figures, { [`rim ${filmUm} µm`]: peak, [`rim ${filmUm} µm halfWidthMm`]: halfWidthMm });
    Object.assign(above, { [`rim ${filmUm} µm`]: 1.4, [`rim ${filmUm} µm halfWidthMm`]: 0.15 });
    Object.assign(below, { [`rim ${filmUm} µm`]: 2.2, [`rim ${filmUm} µm halfWidthMm`]: 0.35 });
  }
  for (const cellMm of [0.5, 1]) {
    figures[`outlineOffMm, cells of ${cellMm}`] = outlineOff(cellMm);
    below[`outlineOffMm, cells of ${cellMm}`] = 0.15;
  }
  figures['letters of 5 mm offMm'] = await lettersOff(5, 0.5);
  below['letters of 5 mm offMm'] = 0.15;
  for (const cellMm of [1, 0.25]) {
    figures[`deltaE between cells of 0.5 and ${cellMm}`] = betweenCells(0.5, cellMm);
    below[`deltaE between cells of 0.5 and ${cellMm}`] = 2;
  }
  figures['6 px/mm ms'] = drawingMs(6);
  figures['8 px/mm ms'] = drawingMs(8);
  figures['43 × 21 mm at 12 px/mm ms'] = drawingMs(12, [43, 21]);
  Object.assign(below, { '6 px/mm ms': 500, '8 px/mm ms': 900, '43 × 21 mm at 12 px/mm ms': 150 });
  return { figures, below, above };
}
