import { computed, inject, Injectable } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { catchError, debounceTime, EMPTY, filter, from, map, switchMap } from 'rxjs';
import { TableWorker } from '../workers/table-worker.service';
import { Messages } from './messages.service';
import { PlanStore } from './plan-store';
import { alikeButLines } from './same-paint';

/** A burst of changes is reckoned once, ms. */
const SETTLE_MS = 60;

/** How much fluid the masks of the open card take and how they come off; provided by what shows it, for as long as it does. */
@Injectable()
export class MaskReckoner {
  private readonly worker = inject(TableWorker);
  private readonly messages = inject(Messages);
  private readonly plan = inject(PlanStore).plan;

  private readonly answer = toSignal(
    toObservable(computed(() => this.plan(), { equal: alikeButLines })).pipe(
      filter((plan) => plan !== null),
      debounceTime(SETTLE_MS),
      switchMap((plan) =>
        from(this.worker.reckonMasks(plan)).pipe(
          map((reckoning) => ({ card: plan.id, reckoning })),
          catchError((cause: unknown) => {
            this.messages.stop(`The masks could not be reckoned: ${String(cause)}.`, 'The card is safe.');
            return EMPTY;
          }),
        ),
      ),
    ),
  );

  /** `null` while it is on its way. */
  readonly reckoning = computed(() => {
    const answer = this.answer();
    return answer && answer.card === this.plan()?.id ? answer.reckoning : null;
  });
}
