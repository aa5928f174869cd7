import { Injectable } from '@angular/core';
import { proxy, transfer, wrap, type Remote } from 'comlink';
import { Observable, tap } from 'rxjs';
import type { Evening } from '@kettle/core/occasion';
import type { Plan } from '@kettle/core/plan';
import type { Restored } from '../data/backup';
import type { CardEvening, CardLook, CardOrId, CardsRead, KeepingApi } from './keeping-api';

/** The worker that has the database to itself, started on first use. Whoever no longer listens stops the work. */
@Injectable({ providedIn: 'root' })
export class KeepingWorker {
  private remote: Remote<KeepingApi> | null = null;
  private jobs = 0;
  /** Cards that came from the worker, which has them still. */
  private readonly known = new WeakSet<Plan>();

  /** All cards, a few at a time. */
  cards(): Observable<CardsRead> {
    return this.stream<CardsRead>((api, job, next) => api.readCards(job, proxy(next))).pipe(
      tap(({ plans }) => plans.forEach((plan) => this.known.add(plan))),
    );
  }

  evenings(
    plans: readonly Plan[],
    evenings: readonly Evening[],
    today: string,
  ): Observable<readonly CardEvening[]> {
    return this.stream((api, job, next) => api.evenings(job, this.sent(plans), evenings, today, proxy(next)));
  }

  looks(plans: readonly Plan[]): Observable<CardLook> {
    return this.stream((api, job, next) => api.looks(job, this.sent(plans), proxy(next)));
  }

  backUp(madeAt: string): Promise<Uint8Array> {
    return this.api().backUp(madeAt);
  }

  restore(file: Uint8Array): Promise<Restored> {
    return this.api().restore(transfer(file, [file.buffer]));
  }

  private sent(plans: readonly Plan[]): CardOrId[] {
    return plans.map((plan) => (this.known.has(plan) ? plan.id : bare(plan)));
  }

  private stream<T>(
    start: (api: Remote<KeepingApi>, job: number, next: (value: T) => void) => Promise<boolean>,
  ): Observable<T> {
    return new Observable<T>((subscriber) => {
      const job = ++this.jobs;
      const api = this.api();
      let ended = false;
      start(api, job, (value) => subscriber.next(value))
        .finally(() => (ended = true))
        .then(
          () => subscriber.complete(),
          (cause: unknown) => subscriber.error(cause),
        );
      return () => {
        if (!ended) void api.cancel(job);
      };
    });
  }

  private api(): Remote<KeepingApi> {
    this.remote ??= wrap<KeepingApi>(
      new Worker(new URL('./keeping.worker', import.meta.url), { type: 'module', name: 'keeping' }),
    );
    return this.remote;
  }
}

/** Lines dry nowhere. */
const bare = (plan: Plan): Plan => ({ ...plan, lines: [] });
