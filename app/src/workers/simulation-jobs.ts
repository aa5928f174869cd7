import { done } from '@kettle/core/units';
import { pictureOf, simulate, type PanelRun, type Simulation } from '@kettle/core/water';
import { writeOpenRaster } from '@kettle/core/prints';
import { difference } from '@kettle/core/trials';
import { paintedAhead } from './painted-ahead';
import type { PaperStore } from './paper-store';
import { forecast, layered, morning } from './sheet-jobs';
import type { PatchLook, SimulationApi } from './simulation-api';
import type { SimulationKernels } from './simulation-kernels';
import { watching } from './watching';

/** What the simulation worker does when asked. */
export function simulationJobs(
  kernels: Promise<SimulationKernels>,
  papers: Pick<PaperStore, 'load'>,
): SimulationApi {
  const watch = watching();
  const ahead = paintedAhead();
  let queue: Promise<unknown> = Promise.resolve();

  /** Jobs are done one after another; one that fails does not hold up the next. */
  function inTurn<Answer>(job: () => Promise<Answer>): Promise<Answer> {
    const turn = queue.then(job);
    queue = turn.catch(() => undefined);
    return turn;
  }

  return {
    rehearse: (job, plan, setting, onMoment, onProgress) =>
      inTurn(async () => watch.work(job, ahead(plan, setting, await kernels, onMoment), onProgress)),

    patch: (simulation) => inTurn(async () => patchLook(simulation, await kernels)),

    morning: (job, sheet, onProgress) =>
      inTurn(async () =>
        watch.work(job, morning(sheet, await papers.load(sheet.key), await kernels), onProgress),
      ),

    forecast: (job, sheet, remedy, place, onProgress) =>
      inTurn(async () =>
        watch.work(
          job,
          forecast(sheet, await papers.load(sheet.key), await kernels, remedy, place),
          onProgress,
        ),
      ),

    compare: (one, other) => Promise.resolve().then(() => difference(one, other)),

    openRaster: (job, sheet, spans, onProgress) =>
      inTurn(async () => {
        const layers = await watch.work(job, layered(sheet, await kernels, spans), onProgress);
        return layers && writeOpenRaster(layers, sheet.trial.cellMm);
      }),

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
