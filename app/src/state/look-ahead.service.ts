import { computed, inject, Injectable } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { distinctUntilChanged, filter } from 'rxjs';
import type { Station, Studio } from '@kettle/core/document/plan';
import { Planner } from '../workers/planner.service';
import { latest } from './latest';
import { Messages } from './messages.service';
import { PlanStore } from './plan-store';
import { alikeButLines } from './same-paint';
import { StudioStore } from './studio-store';

/** A burst of changes (typing, dragging) is answered once, ms. */
const SETTLE_MS = 40;

/** What the open plan leads to, worked out in the worker after every change; stale answers are dropped. */
@Injectable({ providedIn: 'root' })
export class LookAheadService {
  private readonly worker = inject(Planner);
  private readonly store = inject(PlanStore);
  private readonly studio = inject(StudioStore);
  private readonly messages = inject(Messages);

  /** The newest answer; it may be one change behind for a moment. */
  private readonly answer = toSignal(
    toObservable(computed(() => ({ open: this.store.open(), studio: this.studio.studio() }))).pipe(
      filter((at): at is { open: NonNullable<typeof at.open>; studio: Studio } => at.open !== null),
      distinctUntilChanged(
        (one, other) => one.studio === other.studio && alikeButLines(one.open.plan, other.open.plan),
      ),
      latest(
        SETTLE_MS,
        ({ open: { plan, revision } }) => this.worker.lookAhead(plan, revision, this.studio.desk()),
        (cause) =>
          this.messages.stop(
            `The drying could not be worked out: ${String(cause)}.`,
            'The card is safe. Load the page again.',
          ),
      ),
    ),
  );

  readonly ahead = computed(() => {
    const answer = this.answer();
    return answer && answer.plan.id === this.store.plan()?.id ? answer : null;
  });

  /** What stands on the screen is of the card as it was a moment ago. */
  readonly isOld = computed(() => {
    const [ahead, plan] = [this.ahead(), this.store.plan()];
    return ahead !== null && plan !== null && !alikeButLines(ahead.plan, plan);
  });

  /** Open findings at each station. */
  readonly findingsAt = computed(() => {
    const counts = new Map<Station, number>();
    for (const { station } of this.ahead()?.findings ?? [])
      counts.set(station, (counts.get(station) ?? 0) + 1);
    return counts;
  });
}
