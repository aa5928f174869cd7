import type { Plan } from '@kettle/core/document/plan';
import { layingOut, moments, rehearsing, type RehearsalSetting } from '@kettle/core/order/schedule';
import { asPart, type Work } from '@kettle/core/kit/units';
import {
  fingerprintOf,
  lookingAtSheet,
  panelGrid,
  picturing,
  pigmentsOf,
  Replay,
  type Simulation,
} from '@kettle/core/simulation/water';
import type { KeptMoment, OnMoment } from './simulation-api';
import type { SimulationKernels } from './simulation-kernels';

/** Moments kept of a plan, and what the states between them may hold, bytes; measured by `npm run verify`. */
export const MOST_MOMENTS = 36;
export const STATES_CAP_BYTES = 100e6;

/** A plan as it was painted last, as far as it came. */
interface Painted {
  readonly sheet: string;
  readonly replay: Replay;
  moments: KeptMoment[];
}

/** Paints a plan moment by moment, and tells each; the answer is how many there are. */
type PaintAhead = (
  plan: Plan,
  setting: RehearsalSetting,
  kernels: SimulationKernels,
  onMoment: OnMoment,
) => Work<number>;

/**
 * Paints plans ahead and keeps the last paper of each fineness: when a plan comes again changed, it is painted again only from
 * its first act that differs, and what was seen before that is told as it was.
 */
export function paintedAhead(): PaintAhead {
  const last = new Map<number, Painted>();

  return function* (plan, setting, { panel, paint }, onMoment) {
    const timeline = yield* asPart(layingOut(plan), 0, 0);
    const times = moments(timeline, MOST_MOMENTS);
    if (times.length === 0) return 0;
    const simulation = yield* asPart(rehearsing(plan, timeline, setting), 0, 0);
    const { widthMm, heightMm, cellMm, seed } = simulation;
    yield* asPart(lookingAtSheet(panelGrid(widthMm, heightMm, cellMm, 0), seed), 0, 0);
    const sheet = sheetOf(plan, simulation);
    const known = last.get(setting.cellMm);
    const painted: Painted =
      known?.sheet === sheet
        ? known
        : { sheet, replay: new Replay(simulation, panel, STATES_CAP_BYTES, plan.embedded), moments: [] };
    const sameUntilS = painted === known ? painted.replay.setActs(simulation.acts) : 0;
    painted.moments = painted.moments.filter(({ atS }) => atS < sameUntilS);
    last.set(setting.cellMm, painted);
    // Here it may be stopped, even if nothing is left to be painted.
    yield 0;
    for (const moment of painted.moments) onMoment(moment);
    const seenS = painted.moments.at(-1)?.atS ?? -1;
    const left = times.filter((atS) => atS > seenS);
    for (const [i, atS] of left.entries()) {
      for (const share of painted.replay.goTo(atS)) yield (i + share) / left.length;
      const { run } = painted.replay;
      const picture = yield* asPart(picturing(run, paint), (i + 1) / left.length, (i + 1) / left.length);
      const moment = { atS, fingerprint: fingerprintOf(run), ...picture };
      painted.moments.push(moment);
      onMoment(moment);
    }
    return painted.moments.length;
  };
}

/** What a paper is, apart from what is done to it: another one has to be painted from the start. */
const sheetOf = (plan: Plan, { widthMm, heightMm, cellMm, seed, paper, climate, acts }: Simulation): string =>
  JSON.stringify([
    ...[widthMm, heightMm, cellMm, seed, climate],
    plan.embedded.papers.find(({ id }) => id === paper),
    pigmentsOf(acts, plan.embedded.pigments).map(({ code, revision }) => [code, revision]),
    acts.some(({ kind }) => kind === 'salt'),
  ]);
