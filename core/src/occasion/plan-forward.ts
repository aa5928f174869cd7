import { addDays, getISODay, parseISO } from 'date-fns';
import { dayOf } from './brief';
import type { Evening } from './plan-back';

/** Painting on the evenings as they come is given up after so many days. */
const LONGEST_DAYS = 730;

/** When work begun today is done. */
export interface PlanForward {
  /** The day a card is out from under the weight and may go into the post. */
  readonly readyOn: string;
  readonly sittings: readonly { readonly date: string; readonly minutes: number }[];
}

/**
 * Counts forward from today over the painter's evenings until hands and waits have their minutes; `null` when there is
 * no evening to paint on. The counterpart of `planBack`.
 */
export function planForward(
  today: string,
  evenings: readonly Evening[],
  minutesInAll: number,
  pressingNights: number,
): PlanForward | null {
  const minutesOn = new Map(evenings.map(({ weekday, minutes }) => [weekday, minutes]));
  const sittings: { date: string; minutes: number }[] = [];
  let left = minutesInAll;
  for (let n = 0; n < LONGEST_DAYS && left > 0; n++) {
    const day = addDays(parseISO(today), n);
    const minutes = Math.min(left, minutesOn.get(getISODay(day)) ?? 0);
    if (minutes === 0) continue;
    sittings.push({ date: dayOf(day), minutes });
    left -= minutes;
  }
  if (left > 0) return null;
  return { readyOn: dayOf(addDays(parseISO(sittings.at(-1)?.date ?? today), pressingNights)), sittings };
}
