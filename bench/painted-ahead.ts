import { applyCommands } from '@kettle/core/document/plan';
import { layOut } from '@kettle/core/order/schedule';
import { loadPaintKernel, panelKernelFromBuild } from '@kettle/kernels/node';
import { paintedAhead } from '../app/src/workers/painted-ahead';
import { twelvePasses } from './twelve-passes';

/** How long twelve passes on a 5 × 7 in panel take to be painted ahead, and again after one peg was moved, ms. */
export interface PaintedAheadTimes {
  /** All of it, for the first time, in coarse and in finer cells. */
  readonly coarseMs: number;
  readonly fineMs: number;
  /** After the pass in the middle was put off: until the first moment is told in which it is laid, in coarse cells. */
  readonly changedPassMs: number;
  /** The same until all is done again, coarse and finer. */
  readonly changedCoarseMs: number;
  readonly changedFineMs: number;
}

const COARSE = { cellMm: 1, seed: 1 };
const FINE = { cellMm: 0.5, seed: 1 };

/** A peg is moved so much later, s. */
const LATER_S = 120;

export async function benchPaintedAhead(): Promise<PaintedAheadTimes & Record<string, number>> {
  const plan = twelvePasses();
  const kernels = { panel: panelKernelFromBuild(), paint: await loadPaintKernel() };
  const ahead = paintedAhead();
  const passes = plan.acts.filter((act) => act.kind === 'pass');
  const moved = passes[passes.length >> 1];
  const startS = layOut(plan).steps.find(({ act }) => act.id === moved.id)!.startS;
  const changed = applyCommands(plan, [
    { do: 'change-pass', pass: moved.id, change: { start: { atS: startS + LATER_S } } },
  ]).plan;
  const laidS = layOut(changed).steps.find(({ act }) => act.id === moved.id)!.endS;

  const run = (
    of: typeof plan,
    setting: typeof COARSE,
    laidAtS = Infinity,
  ): { allMs: number; laidMs: number } => {
    const begunMs = performance.now();
    let laidMs = Infinity;
    const work = ahead(of, setting, kernels, ({ atS }) => {
      if (atS >= laidAtS) laidMs = Math.min(laidMs, performance.now() - begunMs);
    });
    while (!work.next().done);
    return { allMs: performance.now() - begunMs, laidMs };
  };
  const coarse = run(plan, COARSE);
  const fine = run(plan, FINE);
  const again = run(changed, COARSE, laidS);
  return {
    coarseMs: coarse.allMs,
    fineMs: fine.allMs,
    changedPassMs: again.laidMs,
    changedCoarseMs: again.allMs,
    changedFineMs: run(changed, FINE).allMs,
  };
}
