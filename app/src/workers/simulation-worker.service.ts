import { inject, Injectable } from '@angular/core';
import { proxy, type Remote } from 'comlink';
import type { Plan } from '@kettle/core/plan';
import type { RehearsalSetting } from '@kettle/core/schedule';
import type { Difference, LayerSpan, Remedy } from '@kettle/core/trials';
import type { PanelPicture, Simulation } from '@kettle/core/water';
import type { OpenedSheet } from './painting-api';
import type { Forecast, Morning, Place } from './sheet-jobs';
import type { OnMoment, PatchLook, SimulationApi } from './simulation-api';
import type { Sign } from './watched-worker';
import type { OnProgress } from './watching';
import { Workers } from './workers.service';

/** Work under way: what it comes to in the end (`null` when cancelled), and the way to stop it. */
export interface Running<Answer> {
  readonly ended: Promise<Answer | null>;
  readonly cancel: () => void;
}

/** The worker that simulates water and paint, started on first use. */
@Injectable({ providedIn: 'root' })
export class SimulationWorker {
  private readonly worker = inject(Workers).watched<SimulationApi>(
    'Painting ahead',
    () => new Worker(new URL('./simulation.worker', import.meta.url), { type: 'module', name: 'simulation' }),
  );
  private jobs = 0;

  /** How many moments of a plan were told. */
  rehearse(
    plan: Plan,
    setting: RehearsalSetting,
    onMoment: OnMoment,
    onProgress: OnProgress,
  ): Running<number> {
    return this.run((api, job, sign) =>
      api.rehearse(job, plan, setting, proxy(sign(onMoment)), proxy(sign(onProgress))),
    );
  }

  patch(simulation: Simulation): Promise<PatchLook> {
    return this.worker.ask((api) => api.patch(simulation));
  }

  morning(sheet: OpenedSheet, onProgress: OnProgress): Running<Morning> {
    return this.run((api, job, sign) => api.morning(job, sheet, proxy(sign(onProgress))));
  }

  forecast(
    sheet: OpenedSheet,
    remedy: Pick<Remedy, 'steps'>,
    place: Place,
    onProgress: OnProgress,
  ): Running<Forecast> {
    return this.run((api, job, sign) => api.forecast(job, sheet, remedy, place, proxy(sign(onProgress))));
  }

  compare(one: PanelPicture, other: PanelPicture): Promise<Difference> {
    return this.worker.ask((api) => api.compare(one, other));
  }

  openRaster(sheet: OpenedSheet, spans: readonly LayerSpan[], onProgress: OnProgress): Running<Uint8Array> {
    return this.run((api, job, sign) => api.openRaster(job, sheet, spans, proxy(sign(onProgress))));
  }

  private run<Answer>(
    start: (api: Remote<SimulationApi>, job: number, sign: Sign) => Promise<Answer | null>,
  ): Running<Answer> {
    const job = ++this.jobs;
    return {
      ended: this.worker.ask((api, sign) => start(api, job, sign)),
      cancel: () => this.worker.tell((api) => api.cancel(job)),
    };
  }
}
