import { writeOpenRaster } from '@kettle/core/files/prints';
import type { Plan } from '@kettle/core/document/plan';
import type { RehearsalSetting } from '@kettle/core/order/schedule';
import { difference, type LayerSpan, type Remedy } from '@kettle/core/advice/trials';
import type { Work } from '@kettle/core/kit/units';
import { picturing, type Painted, type PanelPicture } from '@kettle/core/simulation/picture';
import { simulate, type Simulation } from '@kettle/core/simulation/water';
import { atOnce, type Jobs } from './jobs';
import { PRINT_PX_MM, SCREEN_PX_MM } from './fineness';
import { paintedAhead } from './painted-ahead';
import type { OpenedSheet } from './painting-api';
import type { PaperStore } from './paper-store';
import { forecast, layered, morning, type Forecast, type Morning, type SheetPlace } from './sheet-jobs';
import type { KeptMoment, PatchLook } from './simulation-api';
import type { SimulationKernels } from './simulation-kernels';

/** What the simulation worker does when asked; one thing after another, since the kernels hold the sheet that is painted. */
export function simulationJobs(kernels: Promise<SimulationKernels>, papers: Pick<PaperStore, 'load'>) {
  const ahead = paintedAhead();

  return {
    /**
     * Paints a plan as a hand would and tells the moments worth a look as they are reached; the answer is how many were. A plan
     * the panel cannot hold is refused with the core's own words.
     */
    async rehearse(
      { plan, setting }: { plan: Plan; setting: RehearsalSetting },
      tell: (moment: KeptMoment) => void,
    ): Promise<Work<number>> {
      return ahead(plan, setting, await kernels, tell);
    },

    /** Simulates a patch to its end: how it looks dry, and the lightness of its probe. */
    async patch(simulation: Simulation): Promise<Work<PatchLook>> {
      return patched(simulation, await kernels);
    },

    /** A sheet painted by hand, when all on it has dried. */
    async morning({ sheet, pxPerMm }: { sheet: OpenedSheet; pxPerMm: number }): Promise<Work<Morning>> {
      return morning(sheet, await papers.load(sheet.key), await kernels, pxPerMm);
    },

    /** What comes of a remedy at a place of a sheet. */
    async forecast({
      sheet,
      remedy,
      place,
    }: {
      sheet: OpenedSheet;
      remedy: Pick<Remedy, 'steps'>;
      place: SheetPlace;
    }): Promise<Work<Forecast>> {
      return forecast(sheet, await papers.load(sheet.key), await kernels, remedy, place);
    },

    /** Where two sheets differ. Refuses sheets of different shapes. */
    compare: ({ one, other }: { one: PanelPicture; other: PanelPicture }) =>
      atOnce(() => difference(one, other)),

    /** A sheet taken apart into what was laid by each time, as an OpenRaster file. */
    async openRaster({
      sheet,
      spans,
    }: {
      sheet: OpenedSheet;
      spans: readonly LayerSpan[];
    }): Promise<Work<Uint8Array>> {
      return rasterOf(sheet, await kernels, spans);
    },
  } satisfies Jobs;
}

export type SimulationJobs = ReturnType<typeof simulationJobs>;

/** Runs a small sheet to its end. */
function* patched(simulation: Simulation, { panel, paint }: SimulationKernels): Work<PatchLook> {
  let ended: Painted | null = null;
  const { samples } = yield* simulate(simulation, panel, (run, past) => (ended = { run, past }));
  const [probe] = samples.at(-1)!.probes;
  const picture = yield* picturing(ended!, paint, { pxPerMm: SCREEN_PX_MM, look: 'dry' });
  return { ...picture, lightness: probe.lab[0] };
}

function* rasterOf(
  sheet: OpenedSheet,
  kernels: SimulationKernels,
  spans: readonly LayerSpan[],
): Work<Uint8Array> {
  return writeOpenRaster(yield* layered(sheet, kernels, spans), PRINT_PX_MM);
}
