import { Injectable } from '@angular/core';
import { proxy, wrap, type Remote } from 'comlink';
import type { Plan } from '@kettle/core/plan';
import type { RehearsalSetting } from '@kettle/core/schedule';
import type { Difference, LayerSpan, Remedy } from '@kettle/core/trials';
import type { PanelPicture, Simulation } from '@kettle/core/water';
import type { OpenedSheet } from './painting-api';
import type { Forecast, Morning, Place } from './sheet-jobs';
import type { OnMoment, PatchLook, SimulationApi } from './simulation-api';
import type { OnProgress } from './watching';

/** Work under way: what it comes to in the end (`null` when cancelled), and the way to stop it. */
export interface Running<Answer> {
  readonly ended: Promise<Answer | null>;
  readonly cancel: () => void;
}

/** The worker that simulates water and paint, started on first use. */
@Injectable({ providedIn: 'root' })
export class SimulationWorker {
  private remote: Remote<SimulationApi> | null = null;
  private jobs = 0;

  /** How many moments of a plan were told. */
  rehearse(
    plan: Plan,
    setting: RehearsalSetting,
    onMoment: OnMoment,
    onProgress: OnProgress,
  ): Running<number> {
    return this.run((api, job) => api.rehearse(job, plan, setting, proxy(onMoment), proxy(onProgress)));
  }

  patch(simulation: Simulation): Promise<PatchLook> {
    return this.api().patch(simulation);
  }

  morning(sheet: OpenedSheet, onProgress: OnProgress): Running<Morning> {
    return this.run((api, job) => api.morning(job, sheet, proxy(onProgress)));
  }

  forecast(
    sheet: OpenedSheet,
    remedy: Pick<Remedy, 'steps'>,
    place: Place,
    onProgress: OnProgress,
  ): Running<Forecast> {
    return this.run((api, job) => api.forecast(job, sheet, remedy, place, proxy(onProgress)));
  }

  compare(one: PanelPicture, other: PanelPicture): Promise<Difference> {
    return this.api().compare(one, other);
  }

  openRaster(sheet: OpenedSheet, spans: readonly LayerSpan[], onProgress: OnProgress): Running<Uint8Array> {
    return this.run((api, job) => api.openRaster(job, sheet, spans, proxy(onProgress)));
  }

  private run<Answer>(
    start: (api: Remote<SimulationApi>, job: number) => Promise<Answer | null>,
  ): Running<Answer> {
    const job = ++this.jobs;
    const api = this.api();
    return { ended: start(api, job), cancel: () => void api.cancel(job) };
  }

  private api(): Remote<SimulationApi> {
    this.remote ??= wrap<SimulationApi>(
      new Worker(new URL('./simulation.worker', import.meta.url), { type: 'module', name: 'simulation' }),
    );
    return this.remote;
  }
}
