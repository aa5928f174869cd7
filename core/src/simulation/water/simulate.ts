import * as z from 'zod';
import { climateSchema } from '../../materials/climate';
import { TWELVE_BANDS, type Lab } from '../../kit/colour';
import { paperById, PAPERS, type Paper } from '../../materials/paper';
import {
  filmColourist,
  groundOf,
  interfaceAt,
  pigmentByCode,
  PIGMENTS,
  type Pigment,
} from '../../materials/pigment';
import { BadInput, code, seed, type Work } from '../../kit/units';
import { coverage } from './coverage';
import { HandOnPanel } from './hand-on-panel';
import { eventsOf, type PanelEvent } from './panel-event';
import { panelActSchema, type PanelAct } from './panel-act';
import type { PanelKernel } from './panel-kernel';
import { passTime, startPanel, type PanelRun } from './panel-run';
import { shapeSchema, type Shape } from './shape';
import { stageOf, wetLook, type Stage } from './stages';

/** What is asked of a simulation. */
export const simulationSchema = z.strictObject({
  widthMm: z.number().positive().max(600),
  heightMm: z.number().positive().max(600),
  cellMm: z.number().min(0.1).max(5),
  paper: code,
  climate: climateSchema,
  seed,
  /** Pigments that may come onto the panel, and salt with them; where it is not said, those the acts name. */
  pigments: z.array(z.string()).max(6).optional(),
  acts: z.array(panelActSchema).max(5000),
  stopS: z.number().positive().max(1e6),
  probes: z
    .array(z.strictObject({ name: z.string().min(1).max(80), shape: shapeSchema }))
    .max(100)
    .default([]),
  sampleS: z.number().min(0.01).max(1e6).optional(),
});
export type Simulation = z.infer<typeof simulationSchema>;

/** What a place on the panel holds and looks like. */
export interface ProbeReading {
  readonly name: string;
  readonly filmUm: number;
  readonly paperGm2: number;
  readonly stage: Stage;
  /** Floating and lying, g/m², by code. */
  readonly pigments: Readonly<Record<string, number>>;
  readonly lab: Lab;
}

export interface Sample {
  readonly atS: number;
  readonly probes: readonly ProbeReading[];
}

/** What went on and off the panel: g of water, mg of each pigment. */
export interface Balance {
  readonly waterAppliedG: number;
  readonly waterEvaporatedG: number;
  readonly waterHeldG: number;
  readonly waterRemovedG: number;
  readonly pigments: Readonly<
    Record<string, { readonly appliedMg: number; readonly heldMg: number; readonly removedMg: number }>
  >;
}

export interface SimulationAnswer {
  readonly samples: readonly Sample[];
  readonly balance: Balance;
  readonly steps: number;
}

/** Every pigment the acts name, in the order of their first use; at most six lie on one panel. */
export function pigmentsOf(acts: readonly PanelAct[], known = PIGMENTS): Pigment[] {
  const codes = new Map<string, string>();
  acts.forEach((act, i) => {
    const named = 'pigments' in act ? act.pigments : 'parts' in act ? act.parts : [];
    named.forEach(({ pigment }, j) => {
      if (!codes.has(pigment))
        codes.set(pigment, `acts[${i}].${'pigments' in act ? 'pigments' : 'parts'}[${j}].pigment`);
    });
  });
  const pigments = [...codes].map(([code, field]) => pigmentByCode(code, field, known));
  if (pigments.length > 6)
    throw new BadInput('acts', `name ${pigments.length} pigments; a panel holds at most 6`);
  return pigments;
}

/** Papers and pigments that acts may name; a plan brings its own. */
export interface Stock {
  readonly papers: readonly Paper[];
  readonly pigments: readonly Pigment[];
}

/** A panel at its start, and its acts in the order of time; acts at the same time keep their order. */
export function openSimulation(
  input: Simulation,
  kernel: PanelKernel,
  { papers, pigments }: Stock = { papers: PAPERS, pigments: PIGMENTS },
): { readonly run: PanelRun; readonly acts: readonly { readonly act: PanelAct; readonly field: string }[] } {
  const run = startPanel(
    {
      ...input,
      paper: paperById(input.paper, 'paper', papers),
      pigments: input.pigments
        ? input.pigments.map((code, i) => pigmentByCode(code, `pigments[${i}]`, pigments))
        : pigmentsOf(input.acts, pigments),
      roomy: input.pigments !== undefined,
      salted: input.pigments !== undefined || input.acts.some(({ kind }) => kind === 'salt'),
    },
    kernel,
  );
  const acts = input.acts
    .map((act, i) => ({ act, field: `acts[${i}]` }))
    .sort((a, b) => a.act.atS - b.act.atS);
  return { run, acts };
}

/** Does every act in the paper's time and samples the probes; yields the share of time that has passed. */
export function* simulate(
  input: Simulation,
  kernel: PanelKernel,
  finished?: (run: PanelRun, past: readonly PanelEvent[]) => void,
): Work<SimulationAnswer> {
  const { run, acts } = openSimulation(input, kernel);
  const events = eventsOf(acts);
  const hand = new HandOnPanel(run);
  const samples: Sample[] = [];
  const sampleTimes = input.sampleS
    ? Array.from({ length: Math.floor(input.stopS / input.sampleS) + 1 }, (_, i) => i * input.sampleS!)
    : [input.stopS];
  if (sampleTimes.at(-1)! < input.stopS) sampleTimes.push(input.stopS);
  let next = 0;
  for (const atS of sampleTimes) {
    for (; next < events.length && events[next].atS <= atS; next++) {
      yield* progress(run, events[next].atS, input.stopS);
      hand.do(events[next]);
      yield events[next].atS / input.stopS;
    }
    yield* progress(run, atS, input.stopS);
    samples.push({ atS, probes: input.probes.map(({ name, shape }) => probe(run, name, shape)) });
  }
  finished?.(run, events.slice(0, next));
  return { samples, balance: balanceOf(run), steps: run.steps };
}

function* progress(run: PanelRun, untilS: number, stopS: number): Generator<number, void> {
  for (const atS of passTime(run, untilS)) yield atS / stopS;
}

/** Reads a place: means over its cells, each by the share of it that lies there. */
export function probe(run: PanelRun, name: string, shape: Shape): ProbeReading {
  const { panel, pigments } = run;
  const cells: [cell: number, share: number][] = [];
  coverage(panel, shape, (cell, share) => cells.push([cell, share]));
  const area = cells.reduce((sum, [, share]) => sum + share, 0);
  const mean = (of: (cell: number) => number): number =>
    area === 0 ? 0 : cells.reduce((sum, [cell, share]) => sum + share * of(cell), 0) / area;
  const filmUm = mean((cell) => panel.film[cell]);
  const paperGm2 = mean((cell) => panel.paper[cell]);
  const look = lookOf(run);
  const lab = [0, 1, 2].map(() => 0);
  for (const [cell, share] of cells) look(cell).forEach((value, i) => (lab[i] += (share * value) / area));
  return {
    name,
    filmUm,
    paperGm2,
    stage: stageOf(filmUm, paperGm2),
    pigments: Object.fromEntries(
      pigments.map(({ code }, i) => [
        code,
        mean((cell) => panel.suspended[i * panel.cells + cell] + panel.deposited[i * panel.cells + cell]),
      ]),
    ),
    lab: lab as unknown as Lab,
  };
}

/** Steps of wetness a look is worked out in. */
const WET_STEPS = 8;

/** What each cell of a panel looks like now: everything on it as one film, as wet as it is. */
export function lookOf({ panel, pigments, paper }: PanelRun): (cell: number) => Lab {
  const looks = Array.from({ length: WET_STEPS + 1 }, (_, i) => {
    const wetness = i / WET_STEPS;
    return filmColourist(pigments, groundOf(paper, [], interfaceAt(wetness)), TWELVE_BANDS, wetness);
  });
  const loads = new Float64Array(pigments.length);
  return (cell) => {
    for (let i = 0; i < loads.length; i++)
      loads[i] = panel.suspended[i * panel.cells + cell] + panel.deposited[i * panel.cells + cell];
    return looks[Math.round(WET_STEPS * wetLook(panel.film[cell], panel.paper[cell]))].colourOf(loads);
  };
}

/** The books of a run. */
export function balanceOf({ panel, pigments, ledger }: PanelRun): Balance {
  const cellM2 = panel.cellMm ** 2 / 1e6;
  const sum = (plane: Float32Array, from = 0): number => {
    let total = 0;
    for (let cell = from; cell < from + panel.cells; cell++) total += plane[cell];
    return total;
  };
  return {
    waterAppliedG: ledger.waterApplied * cellM2,
    waterEvaporatedG: ledger.waterEvaporated * cellM2,
    waterHeldG: (sum(panel.film) + sum(panel.paper)) * cellM2,
    waterRemovedG: ledger.waterRemoved * cellM2,
    pigments: Object.fromEntries(
      pigments.map(({ code }, i) => [
        code,
        {
          appliedMg: ledger.applied[i] * cellM2 * 1000,
          heldMg:
            (sum(panel.suspended, i * panel.cells) + sum(panel.deposited, i * panel.cells)) * cellM2 * 1000,
          removedMg: ledger.removed[i] * cellM2 * 1000,
        },
      ]),
    ),
  };
}
