import { Injectable } from '@angular/core';
import { proxy, wrap, type Remote } from 'comlink';
import type { Plan } from '@kettle/core/plan';
import type { RehearsalSetting } from '@kettle/core/schedule';
import type { Simulation } from '@kettle/core/water';
import type { OnMoment, PatchLook, SimulationApi } from './simulation-api';
import type { OnProgress } from './watching';

/** A rehearsal under way: how many moments it had in the end (`null` when cancelled), and the way to stop it. */
export interface Rehearsing {
  readonly ended: Promise<number | null>;
  readonly cancel: () => void;
}

/** The worker that simulates water and paint, started on first use. */
@Injectable({ providedIn: 'root' })
export class SimulationWorker {
  private remote: Remote<SimulationApi> | null = null;
  private jobs = 0;

  rehearse(plan: Plan, setting: RehearsalSetting, onMoment: OnMoment, onProgress: OnProgress): Rehearsing {
    const job = ++this.jobs;
    const api = this.api();
    return {
      ended: api.rehearse(job, plan, setting, proxy(onMoment), proxy(onProgress)),
      cancel: () => void api.cancel(job),
    };
  }

  patch(simulation: Simulation): Promise<PatchLook> {
    return this.api().patch(simulation);
  }

  private api(): Remote<SimulationApi> {
    this.remote ??= wrap<SimulationApi>(
      new Worker(new URL('./simulation.worker', import.meta.url), { type: 'module', name: 'simulation' }),
    );
    return this.remote;
  }
}
