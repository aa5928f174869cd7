import { labOfHex } from '@kettle/core/kit/colour';
import { cutRequestSchema } from '@kettle/core/commission/card';
import { packResists } from '@kettle/core/drawing/masking';
import { paperById } from '@kettle/core/materials/paper';
import { pigmentByCode, PIGMENTS } from '@kettle/core/materials/pigment';
import { NEW_STUDIO, paintedOf, type Plan } from '@kettle/core/document/plan';
import { packLines } from '@kettle/core/drawing/sketch';
import type { Work } from '@kettle/core/kit/units';
import { loadLineKernel, loadPaintKernel, panelKernelFromBuild } from '@kettle/kernels/node';
import { simulationJobs } from '../app/src/workers/simulation-jobs';
import { tableJobs } from '../app/src/workers/table-jobs';
import { largePlan } from '../core/src/testing/large-plan';
import { kettleInTheRain } from '../demo/kettle-in-the-rain';

/** How long a job takes in all, and the longest time in which nothing could have stopped it, ms. */
interface JobTimes {
  readonly allMs: number;
  readonly stepMs: number;
}

async function timesOf(job: Work<unknown> | Promise<Work<unknown>>): Promise<JobTimes> {
  const work = await job;
  const beganMs = performance.now();
  let stepMs = 0;
  for (let fromMs = beganMs; ;) {
    const { done } = work.next();
    const nowMs = performance.now();
    stepMs = Math.max(stepMs, nowMs - fromMs);
    fromMs = nowMs;
    if (done) return { allMs: nowMs - beganMs, stepMs };
  }
}

/** Areas and passes of the card whose jobs are timed. */
const LARGE = [40, 60] as const;

/** The longest step of each job of the workers, on a large card; and what a look ahead takes as cards double. In one piece: a table of jobs. */
export async function benchJobs(): Promise<Record<string, number>> {
  const jobs = tableJobs(loadLineKernel());
  const kernels = loadPaintKernel().then((paint) => ({ panel: panelKernelFromBuild(), paint }));
  const simulation = simulationJobs(kernels, { load: () => Promise.resolve(null) });
  const desk = { ...NEW_STUDIO, today: '2026-03-02' };
  const packed = (plan: Plan) => ({ plan: { ...plan, resists: [] }, resists: packResists(plan.resists) });
  const plan = largePlan(...LARGE);
  const card = packed(plan);
  const paper = paperById('cotton-cold-300');
  const palette = ['PY150', 'PB29', 'PR122', 'PBr7-burnt-sienna', 'PG7', 'PV23'].map((code) =>
    pigmentByCode(code),
  );
  const targets = ['#c7a23a', '#7c3b2e', '#7d8f6a'].map(labOfHex);
  const pieces = Array.from({ length: 10 }, (_, i) => ({
    ...{ name: `piece ${i}`, widthMm: 60 + ((i * 37) % 90), heightMm: 50 + ((i * 53) % 80), count: 1 },
  }));
  const cut = (count: number) =>
    cutRequestSchema.parse({
      sheet: { widthMm: 760, heightMm: 560 },
      pieces: pieces.slice(0, count),
      gapMm: 1,
    });
  const kettle = packed(kettleInTheRain());
  const asked: Readonly<Record<string, () => Work<unknown> | Promise<Work<unknown>>>> = {
    // What is compiled and sampled once is no step of any one job.
    warm: () => jobs.lookAhead({ card: kettle, desk }),
    lookAhead: () => jobs.lookAhead({ card, desk }),
    propose: () => jobs.propose(card),
    starts: () => jobs.starts({ card, pass: 'laid-30' }),
    beginAt: () => jobs.beginAt({ card, pass: 'laid-30', start: 'when-dry' }),
    putInOrder: () => jobs.putInOrder(kettle),
    batch: () => jobs.batch({ cards: [kettle], desk }),
    matchColour: () => jobs.matchColour({ target: targets[0], palette, paper }),
    choosePalette: () =>
      jobs.choosePalette({ box: PIGMENTS.slice(0, 16), paper, request: { targets, size: 3 } }),
    suggest: () =>
      jobs.suggest({ box: PIGMENTS.slice(0, 16), paper, mood: { light: 0.6, warm: 0.5, strong: 0.5 } }),
    reach: () => jobs.reach({ palette, paper, levels: [60] }),
    reckonColours: () => jobs.reckonColours({ card, dish: NEW_STUDIO.dish }),
    rankWhites: () => jobs.rankWhites(card),
    reckonMasks: () => jobs.reckonMasks(card),
    compose: () => jobs.compose({ plan, lines: packLines([]), darkness: new Map() }),
    fill: () => jobs.fill({ lines: packLines(plan.lines), at: [20, 20], panel: paintedOf(plan).panel }),
    cutNine: () => jobs.cut(cut(9)),
    cutTen: () => jobs.cut(cut(10)),
    rehearse: () =>
      simulation.rehearse({ plan: kettleInTheRain(), setting: { cellMm: 1, seed: 1 } }, () => undefined),
  };
  const figures: Record<string, number> = {};
  for (const [name, job] of Object.entries(asked)) {
    const { allMs, stepMs } = await timesOf(job());
    if (name === 'warm') continue;
    figures[`${name}Ms`] = Math.round(allMs);
    figures[`${name}StepMs`] = Math.round(10 * stepMs) / 10;
  }
  for (const [areas, passes] of [
    [10, 15],
    [20, 30],
    [40, 60],
    [80, 120],
  ] as const) {
    const { allMs } = await timesOf(jobs.lookAhead({ card: packed(largePlan(areas, passes)), desk }));
    figures[`lookAhead ${areas} × ${passes} Ms`] = Math.round(allMs);
  }
  return figures;
}
