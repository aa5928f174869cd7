import { computed, inject, Injectable, signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import {
  catchError,
  concat,
  debounceTime,
  distinctUntilChanged,
  map,
  of,
  scan,
  startWith,
  switchMap,
  type Observable,
} from 'rxjs';
import type { Plan } from '@kettle/core/document/plan';
import type { KeptMoment } from '../workers/simulation-api';
import { SimulationWorker } from '../workers/simulation-worker.service';
import { Messages } from './messages.service';
import { PlanStore } from './plan-store';
import { paintsAlike } from './same-paint';

/** A plan painted ahead: a first glance in coarse cells, then a finer look that takes its place moment by moment. */
export interface Rehearsal {
  /** The plan it belongs to. */
  readonly plan: Plan;
  readonly moments: readonly KeptMoment[];
  /** Share done of what is under way, 0…1; `null` when all is done. */
  readonly progress: number | null;
}

/** A burst of changes is simulated once, ms. */
const SETTLE_MS = 400;

/** Cells of the first glance and of the finer look, mm. */
const LOOKS_MM = [1, 0.5];

type News = { readonly moment: KeptMoment } | { readonly progress: number | null };

/** Simulates the open plan as a hand would paint it, again after every change, while it is asked for. */
@Injectable({ providedIn: 'root' })
export class RehearsalService {
  private readonly worker = inject(SimulationWorker);
  private readonly store = inject(PlanStore);
  private readonly messages = inject(Messages);

  readonly wanted = signal(false);
  /** The plan to be simulated; the same one as long as a change to it does not touch the paint. */
  private readonly subject = computed(() => (this.wanted() ? this.store.plan() : null), {
    equal: paintsAlike,
  });

  private readonly answer = toSignal(
    toObservable(this.subject).pipe(
      debounceTime(SETTLE_MS),
      distinctUntilChanged(),
      switchMap((plan) => (plan ? this.painted(plan) : of(null))),
    ),
    { initialValue: null },
  );

  /** What there is of the plan as it stands; an older plan's pictures would mislead. */
  readonly rehearsal = computed(() => {
    const answer = this.answer();
    return answer && answer.plan === this.subject() ? answer : null;
  });

  private painted(plan: Plan): Observable<Rehearsal> {
    const begun: Rehearsal = { plan, moments: [], progress: 0 };
    return concat(...LOOKS_MM.map((cellMm) => this.look(plan, cellMm)), of<News>({ progress: null })).pipe(
      scan((rehearsal, news) => withNews(rehearsal, news), begun),
      startWith(begun),
      catchError((cause: unknown) => {
        this.messages.stop(
          `The paint could not be simulated: ${cause instanceof Error ? cause.message : String(cause)}.`,
          'The card is safe, and its times and colours do not depend on this.',
        );
        this.wanted.set(false);
        return of(begun);
      }),
    );
  }

  private look(plan: Plan, cellMm: number): Observable<News> {
    return this.worker.rehearse({ plan, setting: { cellMm, seed: SHEET } }).pipe(
      map((told): News => {
        if ('news' in told) return { moment: told.news };
        return { progress: 'share' in told ? told.share : 1 };
      }),
    );
  }
}

/** Which sheet of its paper is painted on: always the same, so that only the plan changes the picture. */
const SHEET = 1;

/** A finer look takes the place of the coarser one as far as it has come. */
function withNews(rehearsal: Rehearsal, news: News): Rehearsal {
  if (!('moment' in news)) return { ...rehearsal, progress: news.progress };
  const { moment } = news;
  const others = rehearsal.moments.filter(
    ({ atS, columns }) => atS > moment.atS || (atS < moment.atS && columns === moment.columns),
  );
  return { ...rehearsal, moments: [...others, moment].sort((a, b) => a.atS - b.atS) };
}
