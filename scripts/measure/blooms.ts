import { contours } from 'd3-contour';
import { polygonArea, type Point } from '@kettle/core/kit/geometry';
import { cellAt, type PanelRun } from '@kettle/core/simulation/water';
import type { Measured } from './limits';
import { density, loadAt, Sheet } from './painted-sheet';
import { mean } from './random';

const BLOOMS = 200;
const SHEET_MM = 26;
/** Pigments that stain, and when clear water falls into their wash: as its sheen goes. */
const STAINING = [
  { pigment: 'PB15:3', atS: 60 },
  { pigment: 'PR122', atS: 60 },
  { pigment: 'PB60', atS: 80 },
  { pigment: 'PV19-rose', atS: 80 },
];
/** Where the wash is as if nothing had fallen, mm from the middle. */
const UNTOUCHED_MM = [9, 12] as const;
/** Where no ring is paler than this share of the wash, nothing has bloomed. */
const BLOOMED = 0.97;
/** Sizes looked for, mm, each along the axes and between them, give or take 12°. */
const WAVES_MM = [1, 1.4, 2, 2.8, 4];
const GIVE = [-12, 0, 12];
const ACROSS = [0, 90];
const BETWEEN = [45, 135];
/** What lies further from the middle counts for nothing, mm. */
const SEEN_MM = 11;

/** A wash of a staining pigment into which clear water fell, dry. */
function bloomOf(seed: number): { sheet: Sheet; run: PanelRun } {
  const { pigment, atS } = STAINING[seed % STAINING.length];
  const sheet = new Sheet(SHEET_MM, 3000 + seed);
  const middle = [sheet.middle + 0.13 * (seed % 3), sheet.middle + 0.11 * (seed % 4)];
  const drop = { atS, kind: 'drop', shape: { circle: [...middle, 2] }, filmUm: 150, pigments: [] };
  return { sheet, run: sheet.painted([sheet.wash(pigment, 1, 80), drop], 1500) };
}

/** Loads of a run row by row, g/m², `[row · columns + column]`. */
const loadsOf = (run: PanelRun): number[] =>
  Array.from({ length: run.panel.columns * run.panel.rows }, (_, i) =>
    loadAt(run, cellAt(run.panel, i % run.panel.columns, Math.floor(i / run.panel.columns))),
  );

/**
 * Length of a bloom's outline over that of a circle of its area; its outline runs where the load is midway between the
 * palest ring and the wash. NaN where nothing has bloomed.
 */
function outlineOverCircle(run: PanelRun, sheet: Sheet): number {
  const wash = density(run, sheet.middle, ...UNTOUCHED_MM);
  const palest = Math.min(...[0, 0.5, 1, 1.5, 2].map((from) => density(run, sheet.middle, from, from + 1)));
  if (palest > BLOOMED * wash) return NaN;
  const { columns, rows } = run.panel;
  const paler = contours()
    .size([columns, rows])
    .contour(
      loadsOf(run).map((load) => -load),
      -0.5 * (palest + wash),
    );
  const outlines = paler.coordinates.map(([outer]) => ({
    area: polygonArea([outer.map(([x, y]): Point => [x, y])]),
    length: lengthOf(outer),
  }));
  const { area, length } = outlines.reduce((a, b) => (b.area > a.area ? b : a));
  return length / (2 * Math.sqrt(Math.PI * area));
}

const lengthOf = (outline: readonly (readonly number[])[]): number =>
  outline.slice(1).reduce((sum, [x, y], i) => sum + Math.hypot(x - outline[i][0], y - outline[i][1]), 0);

/** Power of the differences from the wash in waves that run in some directions, degrees. */
function powerAlong(run: PanelRun, sheet: Sheet, directions: readonly number[]): number {
  const { columns, cellMm } = run.panel;
  const wash = density(run, sheet.middle, ...UNTOUCHED_MM);
  const seen = loadsOf(run).flatMap((load, i) => {
    const x = ((i % columns) + 0.5) * cellMm - sheet.middle;
    const y = (Math.floor(i / columns) + 0.5) * cellMm - sheet.middle;
    const r = Math.hypot(x, y);
    return r > SEEN_MM
      ? []
      : [{ x, y, differs: (0.5 + 0.5 * Math.cos((Math.PI * r) / SEEN_MM)) * (load - wash) }];
  });
  let power = 0;
  for (const direction of directions)
    for (const give of GIVE)
      for (const waveMm of WAVES_MM) {
        const angle = ((direction + give) * Math.PI) / 180;
        const wave = (2 * Math.PI) / waveMm;
        let [real, imaginary] = [0, 0];
        for (const { x, y, differs } of seen) {
          const phase = wave * (x * Math.cos(angle) + y * Math.sin(angle));
          real += differs * Math.cos(phase);
          imaginary += differs * Math.sin(phase);
        }
        power += real ** 2 + imaginary ** 2;
      }
  return power;
}

/** How far blooms branch in pigments that stain, and whether they do so more along the grid's axes than between them. */
export function measureBlooms(): Measured {
  const blooms = Array.from({ length: BLOOMS }, (_, seed) => ({ ...bloomOf(seed), seed }));
  const outlines = blooms.map(({ run, sheet }) => outlineOverCircle(run, sheet));
  const bloomed = outlines.filter((ratio) => !Number.isNaN(ratio));
  const power = (directions: readonly number[]): number =>
    blooms.reduce((sum, { run, sheet }) => sum + powerAlong(run, sheet, directions), 0);
  const byPigment = STAINING.map(({ pigment }, i) => [
    pigment,
    mean(outlines.filter((ratio, seed) => seed % STAINING.length === i && !Number.isNaN(ratio))),
  ]);
  return {
    figures: {
      blooms: BLOOMS,
      bloomed: bloomed.length,
      outlineOverCircle: mean(bloomed),
      least: Math.min(...bloomed),
      most: Math.max(...bloomed),
      byPigment: Object.fromEntries(byPigment) as Record<string, number>,
      axesOverBetween: power(ACROSS) / power(BETWEEN),
    },
    above: { outlineOverCircle: 1.1 },
    below: { axesOverBetween: 1.3 },
  };
}
