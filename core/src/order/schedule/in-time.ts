import {
  MOST_COPIES,
  planBack,
  planForward,
  PRESSING_NIGHTS,
  type Evening,
  type PlanBack,
  type PlanForward,
} from '../../commission/occasion';
import type { Plan } from '../../document/plan';
import { minutesAtTable } from './table-minutes';
import type { Timeline } from './timeline';

/** Whether a card can be done by its day on the painter's evenings, and what would help. */
export interface InTime {
  readonly handsMin: number;
  readonly waitMin: number;
  /** Counted back from the day it is wanted; `null` without one. */
  readonly back: PlanBack | null;
  /** Begun today, on the evenings as they come; `null` without evenings. */
  readonly forward: PlanForward | null;
  /** How many would come out well by the day, up to 500, with the spares asked for; `null` without a day. */
  readonly mostCopies: number | null;
  /** When it cannot be done: what alone would be enough. */
  readonly help: readonly Help[];
}

export type Help =
  | { readonly way: 'fewer-copies'; readonly copies: number }
  | { readonly way: 'hair-dryer' }
  | { readonly way: 'by-hand' }
  | { readonly way: 'longer-evenings'; readonly minutesEach: number };

/** What of the waits is left when every layer is dried warm. Ours, and careful: a dryer does ten times better on paper. */
const WARM_WAITS = 0.3;

/** When to sit down so that a card is there by the day it is wanted; `null` without such a day. */
export function backFrom(
  plan: Pick<Plan, 'brief'>,
  timeline: Pick<Timeline, 'steps'>,
  evenings: readonly Evening[],
  today: string,
): PlanBack | null {
  const { needBy, postingDays } = plan.brief;
  if (needBy === null) return null;
  const { handsMin, waitMin } = minutesAtTable(plan, timeline);
  return planBack({
    ...{ today, needBy, postingDays, handsMin, waitMin },
    pressingNights: PRESSING_NIGHTS,
    evenings: [...evenings],
  });
}

/** Works out the evenings of a plan. `today` is `YYYY-MM-DD`. */
export function inTime(
  plan: Pick<Plan, 'brief'>,
  timeline: Pick<Timeline, 'steps'>,
  evenings: readonly Evening[],
  today: string,
): InTime {
  const { needBy, postingDays, copies } = plan.brief;
  const { handsMin, waitMin } = minutesAtTable(plan, timeline);
  const forward = planForward(today, evenings, handsMin + waitMin, PRESSING_NIGHTS);
  if (needBy === null) return { handsMin, waitMin, back: null, forward, mostCopies: null, help: [] };

  const ask = (change: { handsMin?: number; waitMin?: number; postingDays?: number }): PlanBack =>
    planBack({
      ...{ today, needBy, postingDays, handsMin, waitMin },
      pressingNights: PRESSING_NIGHTS,
      evenings: [...evenings],
      ...change,
    });
  const withCopies = (n: number): boolean => {
    const minutes = minutesAtTable({ brief: { ...plan.brief, copies: n } }, timeline);
    return ask({ handsMin: minutes.handsMin }).feasible;
  };
  const back = ask({});
  const mostCopies = lastThat(withCopies, MOST_COPIES);
  const help: Help[] = [];
  if (!back.feasible) {
    if (mostCopies > 0 && mostCopies < copies) help.push({ way: 'fewer-copies', copies: mostCopies });
    if (waitMin > 0 && ask({ waitMin: waitMin * WARM_WAITS }).feasible) help.push({ way: 'hair-dryer' });
    if (postingDays > 0 && ask({ postingDays: 0 }).feasible) help.push({ way: 'by-hand' });
    if (back.sittings.length > 0)
      help.push({
        way: 'longer-evenings',
        minutesEach: Math.ceil(back.shortByMin / back.sittings.length),
      });
  }
  return { handsMin, waitMin, back, forward, mostCopies, help };
}

/** The last of 1…`most` that holds, where what holds for one holds for all before it; 0 when none does. */
function lastThat(holds: (n: number) => boolean, most: number): number {
  let [low, high] = [0, most];
  while (low < high) {
    const middle = Math.ceil((low + high) / 2);
    if (holds(middle)) low = middle;
    else high = middle - 1;
  }
  return low;
}
