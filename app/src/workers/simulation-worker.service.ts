import { inject, Injectable } from '@angular/core';
import type { Observable } from 'rxjs';
import type { Difference } from '@kettle/core/advice/trials';
import type { Simulation } from '@kettle/core/simulation/water';
import { JobClient, type AskedOf, type Told } from './job-client';
import type { JobApi } from './jobs';
import type { PatchLook } from './simulation-api';
import type { SimulationJobs } from './simulation-jobs';
import { Workers } from './workers.service';

/** The worker that simulates water and paint, started on first use. Whoever no longer listens stops the work. */
@Injectable({ providedIn: 'root' })
export class SimulationWorker {
  private readonly jobs = new JobClient<SimulationJobs>(
    inject(Workers).watched<JobApi>(
      'Painting ahead',
      () =>
        new Worker(new URL('./simulation.worker', import.meta.url), { type: 'module', name: 'simulation' }),
    ),
  );

  rehearse(asked: AskedOf<SimulationJobs['rehearse']>): Observable<Told<SimulationJobs['rehearse']>> {
    return this.jobs.job('rehearse', asked);
  }

  patch(simulation: Simulation): Observable<PatchLook> {
    return this.jobs.answer('patch', simulation);
  }

  morning(asked: AskedOf<SimulationJobs['morning']>): Observable<Told<SimulationJobs['morning']>> {
    return this.jobs.job('morning', asked);
  }

  forecast(asked: AskedOf<SimulationJobs['forecast']>): Observable<Told<SimulationJobs['forecast']>> {
    return this.jobs.job('forecast', asked);
  }

  compare(asked: AskedOf<SimulationJobs['compare']>): Observable<Difference> {
    return this.jobs.answer('compare', asked);
  }

  openRaster(asked: AskedOf<SimulationJobs['openRaster']>): Observable<Told<SimulationJobs['openRaster']>> {
    return this.jobs.job('openRaster', asked);
  }
}
