import { inject, Injectable } from '@angular/core';
import { proxy, transfer, type Remote } from 'comlink';
import { Observable, tap } from 'rxjs';
import type { OpenedFile } from '@kettle/core/files/formats';
import type { Evening } from '@kettle/core/commission/occasion';
import type { Plan } from '@kettle/core/document/plan';
import type { Restored } from '../data/backup';
import type { CardEvening, CardLook, CardOrId, CardsRead, KeepingApi } from './keeping-api';
import { Workers } from './workers.service';

/** The worker that has the database to itself, started on first use. Whoever no longer listens stops the work. */
@Injectable({ providedIn: 'root' })
export class KeepingWorker {
  private readonly worker = inject(Workers).watched<KeepingApi>(
    'Reading the cards',
    () => new Worker(new URL('./keeping.worker', import.meta.url), { type: 'module', name: 'keeping' }),
    // One that is begun anew has no cards yet.
    () => (this.known = new WeakSet()),
  );
  private jobs = 0;
  /** Cards that came from the worker, which has them still. */
  private known = new WeakSet<Plan>();

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

  /** Unpacks a `.kettle` file. Rejects with `BadInput` as `readKettleFile` throws. */
  unpack(file: Uint8Array): Promise<OpenedFile> {
    return this.worker.ask((api) => api.unpack(file));
  }

  backUp(madeAt: string): Promise<Uint8Array> {
    return this.worker.ask((api) => api.backUp(madeAt));
  }

  restore(file: Uint8Array): Promise<Restored> {
    return this.worker.ask((api) => api.restore(transfer(file, [file.buffer])), { again: false });
  }

  private sent(plans: readonly Plan[]): CardOrId[] {
    return plans.map((plan) => (this.known.has(plan) ? plan.id : bare(plan)));
  }

  private stream<T>(
    start: (api: Remote<KeepingApi>, job: number, next: (value: T) => void) => Promise<boolean>,
  ): Observable<T> {
    return new Observable<T>((subscriber) => {
      const job = ++this.jobs;
      let ended = false;
      this.worker
        .ask((api, sign) =>
          start(
            api,
            job,
            sign((value: T) => subscriber.next(value)),
          ),
        )
        .finally(() => (ended = true))
        .then(
          () => subscriber.complete(),
          (cause: unknown) => subscriber.error(cause),
        );
      return () => {
        if (!ended) this.worker.tell((api) => api.cancel(job));
      };
    });
  }
}

/** Lines dry nowhere. */
const bare = (plan: Plan): Plan => ({ ...plan, lines: [] });
