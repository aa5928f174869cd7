import { deltaE00, type Lab } from '@kettle/core/kit/colour';
import { rectangle } from '@kettle/core/kit/geometry';
import { paperById } from '@kettle/core/materials/paper';
import { loadsByCode } from '@kettle/core/materials/pigment';
import {
  addMix,
  applyCommands,
  colourAt,
  laidMix,
  mixOf,
  newPass,
  newPlan,
  NEW_STUDIO,
  rimOf,
  type Plan,
} from '@kettle/core/document/plan';
import { cellAt, probe, type PanelRun } from '@kettle/core/simulation/water';
import type { Measured } from './limits';
import { loadAt, paintedPlan } from './painted-sheet';
import { mean, quantile, variationOf } from './random';

const PIGMENTS = ['PB29', 'PB15:3', 'PR122', 'PY150', 'PBr7-burnt-sienna'];
const PAPERS = ['cotton-cold-300', 'cotton-hot-300', 'pulp-cold-300'];
const SIZES_MM: readonly (readonly [number, number])[] = [
  [30, 24],
  [70, 50],
  [126, 86],
];
const FROM_MM = 8;
const FILM_UM = 80;
const CELL_MM = 0.5;
/** The rim, which dries darker, is no part of the middle, mm. */
const RIM_MM = 4;
/** A dry wash, s after it is laid. */
const DRY_S = 5400;

type Size = readonly [widthMm: number, heightMm: number];

/** A card with one flat wash on one area. */
function planOf(pigment: string, paper: string, [widthMm, heightMm]: Size): Plan {
  const begun = newPlan(
    { id: 'wash', title: 'Wash', occasion: 'thanks', envelope: { widthMm: 162, heightMm: 114 } },
    NEW_STUDIO,
  );
  return applyCommands(begun, [
    { do: 'choose-paper', paper: paperById(paper) },
    {
      do: 'add-area',
      area: { id: 'field', name: 'field', outline: rectangle(FROM_MM, FROM_MM, widthMm, heightMm) },
    },
    addMix('mix', 0.2, pigment),
    {
      do: 'add-act',
      before: 'untape',
      act: newPass({
        ...{ id: 'wash', areas: ['field'], technique: 'flat-wash', mix: 'mix' },
        filmUm: FILM_UM,
      }),
    },
  ]).plan;
}

/** What the hand laid, against what was planned, and how even and of what colour it dried. */
function washed(plan: Plan, [widthMm, heightMm]: Size, seed: number) {
  const run = paintedPlan(plan, CELL_MM, seed, DRY_S);
  const areaMm2 = widthMm * heightMm;
  const plannedGm2 = loadsByCode(laidMix(plan, mixOf(plan, 'mix'), FILM_UM)).reduce(
    (sum, { gm2 }) => sum + gm2,
    0,
  );
  const perCell = run.panel.cellMm ** 2;
  const from = FROM_MM + rimOf(plan) + RIM_MM;
  const across = lines(run, [from, from], [widthMm - 2 * RIM_MM, heightMm - 2 * RIM_MM]);
  const middle = {
    rect: [from, from, widthMm - 2 * RIM_MM, heightMm - 2 * RIM_MM] as [number, number, number, number],
  };
  const told: Lab = colourAt(plan, 'field', plan.acts.length);
  return {
    waterOff: Math.abs((run.ledger.waterApplied * perCell) / (FILM_UM * areaMm2) - 1),
    pigmentOff: Math.abs((run.ledger.applied[0] * perCell) / (plannedGm2 * areaMm2) - 1),
    rowCv: variationOf(across.rows),
    columnCv: variationOf(across.columns),
    colourOff: deltaE00(told, probe(run, 'middle', middle).lab),
  };
}

/** Mean loads of the rows and of the columns of a rectangle, g/m². */
function lines(run: PanelRun, [left, top]: readonly [number, number], [width, height]: Size) {
  const { cellMm } = run.panel;
  const [columns, rows] = [Math.floor(width / cellMm), Math.floor(height / cellMm)];
  const load = (column: number, row: number): number =>
    loadAt(run, cellAt(run.panel, Math.ceil(left / cellMm) + column, Math.ceil(top / cellMm) + row));
  const range = (count: number): number[] => Array.from({ length: count }, (_, i) => i);
  return {
    rows: range(rows).map((row) => mean(range(columns).map((column) => load(column, row)))),
    columns: range(columns).map((column) => mean(range(rows).map((row) => load(column, row)))),
  };
}

/** A planned flat wash of every pigment on every paper in every size: laid exactly, dried even and in the colour that was told. */
export function measurePlannedWash(): Measured {
  const table = PIGMENTS.flatMap((pigment, p) =>
    PAPERS.flatMap((paper, q) =>
      SIZES_MM.map((size, s) => ({
        ...{ pigment, paper, widthMm: size[0] },
        ...washed(planOf(pigment, paper, size), size, 8100 + 100 * p + 10 * q + s),
      })),
    ),
  );
  const most = (of: (one: (typeof table)[number]) => number): number => Math.max(...table.map(of));
  const colours = table.map(({ colourOff }) => colourOff);
  return {
    figures: {
      rowCv: most(({ rowCv }) => rowCv),
      columnCv: most(({ columnCv }) => columnCv),
      waterOff: most(({ waterOff }) => waterOff),
      pigmentOff: most(({ pigmentOff }) => pigmentOff),
      colourOffMedian: quantile(colours, 0.5),
      colourOffP95: quantile(colours, 0.95),
      table,
    },
    below: {
      ...{ rowCv: 0.02, columnCv: 0.02, waterOff: 0.03, pigmentOff: 0.02 },
      ...{ colourOffMedian: 2, colourOffP95: 4 },
    },
  };
}
