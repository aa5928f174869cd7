import type { Plan } from '@kettle/core/document/plan';
import { layingOut, moments, rehearsing, type RehearsalSetting } from '@kettle/core/order/schedule';
import type { PaintKernel } from '@kettle/core/materials/pigment';
import { paperById } from '@kettle/core/materials/paper';
import { KeptPicture, PaperPicture } from '@kettle/core/simulation/picture';
import { asPart, type Work } from '@kettle/core/kit/units';
import {
  fingerprintOf,
  lookingAtSheet,
  panelGrid,
  pigmentsOf,
  Replay,
  type Simulation,
} from '@kettle/core/simulation/water';
import { GLANCE_PX_MM, MOMENT_PX_MM } from './fineness';
import type { KeptMoment, OnMoment } from './simulation-api';
import type { SimulationKernels } from './simulation-kernels';

/** Moments of a first glance, and kept of a plan, and what the states between them may hold, bytes; measured by `npm run verify`. */
export const GLANCE_MOMENTS = 18;
export const MOST_MOMENTS = 36;
export const STATES_CAP_BYTES = 100e6;

/** Cells of a first glance, which is drawn as roughly, mm. */
const COARSE_MM = 1;

/** A plan as it was painted last, as far as it came. */
interface Painted {
  readonly sheet: string;
  readonly replay: Replay;
  readonly picture: PaperPicture;
  readonly kept: KeptPicture;
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
    const isGlance = setting.cellMm >= COARSE_MM;
    const times = moments(timeline, isGlance ? GLANCE_MOMENTS : MOST_MOMENTS);
    if (times.length === 0) return 0;
    const simulation = yield* asPart(rehearsing(plan, timeline, setting), 0, 0);
    const { widthMm, heightMm, cellMm, seed } = simulation;
    const { surface } = paperById(plan.paper, 'paper', plan.embedded.papers);
    yield* asPart(lookingAtSheet(panelGrid(widthMm, heightMm, cellMm, 0), surface, seed), 0, 0);
    const sheet = sheetOf(plan, simulation);
    const known = last.get(setting.cellMm);
    const painted: Painted =
      known?.sheet === sheet
        ? known
        : begun(sheet, new Replay(simulation, panel, STATES_CAP_BYTES, plan.embedded), paint);
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
      const pxPerMm = isGlance ? GLANCE_PX_MM : MOMENT_PX_MM;
      const box = painted.picture.whole(pxPerMm);
      const rgba = yield* asPart(painted.kept.now(pxPerMm), (i + 1) / left.length, (i + 1) / left.length);
      const moment = {
        ...{ atS, fingerprint: fingerprintOf(run), rgba },
        ...{ columns: box.columns, rows: box.rows },
      };
      painted.moments.push(moment);
      onMoment(moment);
    }
    return painted.moments.length;
  };
}

function begun(sheet: string, replay: Replay, paint: PaintKernel): Painted {
  const picture = new PaperPicture(replay, paint);
  return { sheet, replay, picture, kept: new KeptPicture(picture), moments: [] };
}

/** What a paper is, apart from what is done to it: another one has to be painted from the start. */
const sheetOf = (plan: Plan, { widthMm, heightMm, cellMm, seed, paper, climate, acts }: Simulation): string =>
  JSON.stringify([
    ...[widthMm, heightMm, cellMm, seed, climate],
    plan.embedded.papers.find(({ id }) => id === paper),
    pigmentsOf(acts, plan.embedded.pigments).map(({ code, revision }) => [code, revision]),
    acts.some(({ kind }) => kind === 'salt'),
  ]);
