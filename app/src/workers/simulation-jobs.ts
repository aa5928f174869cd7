import type { PaintKernel } from '@kettle/core/pigment';
import { layOut, moments, rehearse, type RehearsalSetting } from '@kettle/core/schedule';
import type { Plan } from '@kettle/core/plan';
import { done, type Work } from '@kettle/core/units';
import {
  fingerprintOf,
  pictureOf,
  Replay,
  simulate,
  type PanelKernel,
  type PanelRun,
  type Simulation,
} from '@kettle/core/water';
import type { OnMoment, PatchLook, SimulationApi } from './simulation-api';
import { watching } from './watching';

/** The compiled kernels, once they have loaded. */
export interface SimulationKernels {
  readonly panel: PanelKernel;
  readonly paint: PaintKernel;
}

/** Moments kept of a plan, and what the states between them may hold, bytes; measured by `npm run verify`. */
export const MOST_MOMENTS = 36;
export const STATES_CAP_BYTES = 100e6;

/** What the simulation worker does when asked. */
export function simulationJobs(kernels: Promise<SimulationKernels>): SimulationApi {
  const watch = watching();
  let queue: Promise<unknown> = Promise.resolve();

  return {
    rehearse(job, plan, setting, onMoment, onProgress) {
      const turn = queue.then(async () =>
        watch.work(job, rehearsal(plan, setting, await kernels, onMoment), onProgress),
      );
      queue = turn.catch(() => undefined);
      return turn;
    },

    patch(simulation) {
      const turn = queue.then(async () => patchLook(simulation, await kernels));
      queue = turn.catch(() => undefined);
      return turn;
    },

    cancel: watch.cancel,
  };
}

/** Runs a small sheet to its end. */
function patchLook(simulation: Simulation, { panel, paint }: SimulationKernels): PatchLook {
  let ended: PanelRun | null = null;
  const { samples } = done(simulate(simulation, panel, (run) => (ended = run)));
  const [probe] = samples.at(-1)!.probes;
  return { ...pictureOf(ended!, paint, true), lightness: probe.lab[0] };
}

/** Paints a plan moment by moment. */
function* rehearsal(
  plan: Plan,
  setting: RehearsalSetting,
  { panel, paint }: SimulationKernels,
  onMoment: OnMoment,
): Work<number> {
  const timeline = layOut(plan);
  const times = moments(timeline, MOST_MOMENTS);
  if (times.length === 0) return 0;
  const replay = new Replay(rehearse(plan, timeline, setting), panel, STATES_CAP_BYTES, plan.embedded);
  for (const [i, atS] of times.entries()) {
    for (const share of replay.goTo(atS)) yield (i + share) / times.length;
    onMoment({ atS, fingerprint: fingerprintOf(replay.run), ...pictureOf(replay.run, paint) });
  }
  return times.length;
}
