import type { Climate, HeatTool } from '../../materials/climate';
import type { Paper } from '../../materials/paper';
import { MAX_ON_PANEL, type Pigment } from '../../materials/pigment';
import { evaporationRate } from './evaporation';
import { DAMP_PAPER_GM2, LONGEST_DAMP_STEP_S, LONGEST_FILM_STEP_S } from './constants';
import {
  CELLS_A_STEP,
  LONGEST_COOL_STEP_S,
  FINE_CELL_MM,
  LONGEST_DRY_STEP_S,
  MOST_COARSE,
  TOUCH_GROWTH,
  TOUCH_STEP_S_MM,
} from './flow-constants';
import { flowNumbers, SALT_SPECIES, speciesOf, type SpeciesNumbers } from './flow-numbers';
import { cellAt, panelGrid, type Panel } from './panel';
import type { PanelKernel, StepReport } from './panel-kernel';
import type { Shape } from './shape';
import { laySheet } from './sheet';

/** A grain of salt that lies in the wash and dissolves. */
export interface SaltGrain {
  readonly xMm: number;
  readonly yMm: number;
  readonly radiusMm: number;
  /** What is left to dissolve, mg. */
  massMg: number;
}

/** What has gone onto the panel and off it: water in µm summed over cells, each species in g/m² summed over cells. */
export interface Ledger {
  waterApplied: number;
  waterEvaporated: number;
  waterRemoved: number;
  readonly applied: Float64Array;
  readonly removed: Float64Array;
}

/** A panel in the course of being painted. Everything that happens to it is a function of its acts and its seed. */
export interface PanelRun {
  readonly kernel: PanelKernel;
  readonly panel: Panel;
  readonly paper: Paper;
  /** Pigments by species. */
  pigments: readonly Pigment[];
  species: readonly SpeciesNumbers[];
  /** The species that salt is, if there may be any. */
  readonly saltAt: number | null;
  readonly seed: number;
  readonly ledger: Ledger;
  climate: Climate;
  /** The heat tool while it is on, over the whole panel or a part of it. */
  tool: (HeatTool & { readonly untilS: number; readonly shape: Shape | null }) | null;
  /** Fall of the board, µm/mm. */
  tilt: { readonly x: number; readonly y: number };
  grains: SaltGrain[];
  atS: number;
  /** Length of the next step, s, and how many were taken. */
  nextS: number;
  /** All steps so many times as long as usual: 1, unless it is asked what halving them does. */
  readonly stepScale: number;
  steps: number;
  /** Acts done so far: chance hangs on it and on the seed, never on the clock. */
  touches: number;
  /** Cells with a film after the last step, and the most water in the paper then, g/m². */
  filmed: number;
  dampest: number;
  /** The last step was cut short by what was to be done at its end. */
  cutShort: boolean;
  /** Species that have been laid so far: the others need not be worked on. */
  acting: readonly number[];
  /** What the last brush still holds, until one is dipped anew. */
  left: BrushLeft | null;
  /** Time since the rims were found and since water last crept in the paper, s. */
  rimsAgoS: number;
  creepAgoS: number;
}

/** What a brush holds after a stroke: water in µl, each species in µg. */
export interface BrushLeft {
  readonly brush: string;
  readonly water: number;
  readonly pigments: readonly number[];
}

/** What a panel is made of. */
export interface PanelSetting {
  readonly widthMm: number;
  readonly heightMm: number;
  readonly cellMm: number;
  readonly paper: Paper;
  readonly climate: Climate;
  readonly seed: number;
  readonly pigments: readonly Pigment[];
  /** Whether there may be salt. */
  readonly salted?: boolean;
  /** More pigments than those may come to it later: see `setOut`. */
  readonly roomy?: boolean;
  readonly stepScale?: number;
}

/** A dry sheet of paper on a level board. */
export function startPanel(setting: PanelSetting, kernel: PanelKernel): PanelRun {
  const { pigments, salted = false, roomy = false, paper, seed, climate, stepScale = 1 } = setting;
  const species = speciesFor(pigments, salted, roomy ? MAX_ON_PANEL : 0);
  const panel = kernel.panel(panelGrid(setting.widthMm, setting.heightMm, setting.cellMm, species.length));
  laySheet(panel, paper, seed);
  return {
    kernel,
    panel,
    paper,
    pigments,
    species,
    saltAt: salted ? species.length - 1 : null,
    seed,
    climate,
    ledger: {
      waterApplied: 0,
      waterEvaporated: 0,
      waterRemoved: 0,
      applied: new Float64Array(species.length),
      removed: new Float64Array(species.length),
    },
    tool: null,
    tilt: { x: 0, y: 0 },
    grains: [],
    atS: 0,
    nextS: stepScale * TOUCH_STEP_S_MM * panel.cellMm,
    stepScale,
    steps: 0,
    touches: 0,
    filmed: 0,
    dampest: 0,
    cutShort: false,
    acting: [],
    left: null,
    rimsAgoS: Infinity,
    creepAgoS: 0,
  };
}

/** Pigments, and salt after them; places that no pigment has taken yet do nothing. */
const speciesFor = (pigments: readonly Pigment[], salted: boolean, room: number): SpeciesNumbers[] => [
  ...pigments.map(speciesOf),
  ...Array.from({ length: Math.max(0, room - pigments.length) }, () => SALT_SPECIES),
  ...(salted ? [SALT_SPECIES] : []),
];

/** More pigments are set out for a roomy panel; those it has keep their places. Throws `RangeError` for more than fit. */
export function setOut(run: PanelRun, pigments: readonly Pigment[]): void {
  if (pigments.length > MAX_ON_PANEL) throw new RangeError(`a panel holds at most ${MAX_ON_PANEL} pigments.`);
  run.pigments = pigments;
  run.species = speciesFor(pigments, run.saltAt !== null, MAX_ON_PANEL);
}

/** Two times closer than this are the same moment, s: sums of times carry rounding. */
const SAME_MOMENT_S = 1e-9;

/** Paper with less water than this does nothing more than dry, g/m². */
const AT_REST_GM2 = 1;

/**
 * Lets time pass until `untilS`, step by step; yields the time reached. A step aims at three cells of movement; it
 * grows from the first after a touch to a second with film, five on damp paper (twice that in coarse cells). A step cut off by `untilS` does not
 * shorten the next.
 */
export function* passTime(run: PanelRun, untilS: number): Generator<number, void> {
  let air = airOf(run);
  const coarse = coarseness(run.panel.cellMm);
  while (run.atS < untilS) {
    if (air.climate !== run.climate || air.tool !== run.tool) air = airOf(run);
    const endS = run.tool ? Math.min(untilS, run.tool.untilS) : untilS;
    const leftS = endS - run.atS;
    // A step that ends where it would have ended by itself is the same step, whatever rounding makes of the time left.
    const cut = leftS < run.nextS - SAME_MOMENT_S;
    const dtS = cut ? leftS : run.nextS;
    const rims = run.rimsAgoS >= coarse * (run.filmed > 0 ? RIMS_EVERY_S : DAMP_RIMS_EVERY_S);
    run.creepAgoS += dtS;
    const creepS = run.creepAgoS >= coarse ** 2 * CREEP_EVERY_S ? run.creepAgoS : 0;
    dissolveSalt(run, dtS);
    run.acting = actingOf(run);
    const report = run.kernel.step(
      run.panel,
      run.species,
      air.flow,
      {
        dtS,
        evaporation: air.evaporation,
        tiltX: run.tilt.x,
        tiltY: run.tilt.y,
        rims,
        creepS,
        acting: run.acting,
      },
      run.steps % 2 === 0 ? 'across-first' : 'down-first',
    );
    run.ledger.waterEvaporated += report.evaporated;
    run.rimsAgoS = rims ? dtS : run.rimsAgoS + dtS;
    if (creepS > 0) run.creepAgoS = 0;
    run.filmed = report.filmed;
    run.dampest = report.dampest;
    run.cutShort = cut;
    run.atS = cut || leftS < run.nextS + SAME_MOMENT_S ? endS : run.atS + dtS;
    run.steps++;
    const moved = report.fastest > 0 ? (CELLS_A_STEP * run.panel.cellMm) / report.fastest : Infinity;
    const longest = run.stepScale * Math.min(longestStep(report, coarse), moved);
    run.nextS = Math.max(firstStep(run), Math.min(run.nextS * TOUCH_GROWTH, longest));
    if (run.tool && run.atS >= run.tool.untilS) coolDown(run);
    yield run.atS;
  }
}

/** What climate and tool make of the numbers of a step. */
function airOf({ climate, tool, paper }: PanelRun) {
  const evaporation = evaporationRate(climate, tool ?? undefined);
  return { climate, tool, evaporation, flow: flowNumbers(paper, evaporation) };
}

const firstStep = ({ panel, stepScale }: PanelRun): number => stepScale * TOUCH_STEP_S_MM * panel.cellMm;

/** Cells so many times as coarse as fine ones show less, and are worked on as seldom; areas of a cell go with its square. */
const coarseness = (cellMm: number): number => Math.min(MOST_COARSE, Math.max(1, cellMm / FINE_CELL_MM));

/** How long a step may be by how wet the panel is, s. */
function longestStep({ filmed, dampest }: StepReport, coarse: number): number {
  if (filmed > 0) return coarse * LONGEST_FILM_STEP_S;
  if (dampest > DAMP_PAPER_GM2) return coarse * LONGEST_DAMP_STEP_S;
  return dampest > AT_REST_GM2 ? coarse * LONGEST_COOL_STEP_S : LONGEST_DRY_STEP_S;
}

/** A touch: the next step is short again, and the rims may be elsewhere. */
export function touch(run: PanelRun): void {
  stir(run);
  run.touches++;
}

/** The same act goes on. */
export function stir(run: PanelRun): void {
  run.acting = actingOf(run);
  run.nextS = firstStep(run);
  run.rimsAgoS = Infinity;
}

/** The species laid so far; the list stays the same as long as it says the same. */
function actingOf({ acting, ledger: { applied } }: PanelRun): readonly number[] {
  let count = 0;
  for (const amount of applied) if (amount > 0) count++;
  return count === acting.length && acting.every((i) => applied[i] > 0)
    ? acting
    : [...applied.keys()].filter((i) => applied[i] > 0);
}

/** Rims are found, with a film and without, and water creeps in the paper, no oftener than this in fine cells, s: all are slow. */
const RIMS_EVERY_S = 2;
const DAMP_RIMS_EVERY_S = 20;
const CREEP_EVERY_S = 1;

/** Lays the heat tool down. */
function coolDown(run: PanelRun): void {
  run.tool = null;
  run.panel.warmth.fill(1);
}

/** Salt goes into solution at this rate where a film covers it, g/m²s (fitted). */
const SALT_DISSOLVES = 1.5;

function dissolveSalt(run: PanelRun, dtS: number): void {
  const { panel, saltAt } = run;
  if (saltAt === null) return;
  for (const grain of run.grains) {
    if (grain.massMg <= 0) continue;
    const reach = Math.max(0.5, grain.radiusMm / panel.cellMm);
    const [cx, cy] = [grain.xMm / panel.cellMm, grain.yMm / panel.cellMm];
    for (let row = Math.max(0, Math.floor(cy - reach)); row < Math.min(panel.rows, cy + reach); row++)
      for (
        let column = Math.max(0, Math.floor(cx - reach));
        column < Math.min(panel.columns, cx + reach);
        column++
      ) {
        if ((column + 0.5 - cx) ** 2 + (row + 0.5 - cy) ** 2 > reach * reach) continue;
        const cell = cellAt(panel, column, row);
        if (panel.film[cell] <= 0) continue;
        const gm2 = Math.min(SALT_DISSOLVES * dtS, (grain.massMg * 1000) / panel.cellMm ** 2);
        panel.suspended[saltAt * panel.cells + cell] += gm2;
        run.ledger.applied[saltAt] += gm2;
        grain.massMg -= (gm2 * panel.cellMm ** 2) / 1000;
      }
  }
}
