import { computed, inject, type Signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { filter, map, type Observable } from 'rxjs';
import type { Plan } from '@kettle/core/document/plan';
import { Planner } from '../workers/planner.service';
import { latest } from './latest';
import { Messages } from './messages.service';
import { PlanStore } from './plan-store';
import { alikeButLines } from './same-paint';

/** A burst of changes is reckoned once, ms. */
const SETTLE_MS = 60;

/**
 * What the worker reckons of the open card, anew after every change but to its lines; `null` while the first answer for this
 * card is on its way. `also` is what else it depends on. To be called where things are injected.
 */
export function derivedResource<Answer, Also = null>(
  ask: (worker: Planner, plan: Plan, also: Also) => Observable<Answer>,
  fault: string,
  also: () => Also = () => null as Also,
): Signal<Answer | null> {
  const [worker, messages, plan] = [inject(Planner), inject(Messages), inject(PlanStore).plan];
  const asked = computed(() => ({ plan: plan(), also: also() }), {
    equal: (a, b) => alikeButLines(a.plan, b.plan) && a.also === b.also,
  });
  const answer = toSignal(
    toObservable(asked).pipe(
      filter((now): now is { plan: Plan; also: Also } => now.plan !== null),
      latest(
        SETTLE_MS,
        (now) => ask(worker, now.plan, now.also).pipe(map((found) => ({ card: now.plan.id, found }))),
        (cause) => messages.stop(`${fault}: ${String(cause)}.`, 'The card is safe.'),
      ),
    ),
  );
  return computed(() => {
    const latest = answer();
    return latest && latest.card === plan()?.id ? latest.found : null;
  });
}
