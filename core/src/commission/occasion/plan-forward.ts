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

/** The painter's evenings from today on, as they come, with their minutes. */
export function* eveningsFrom(
  today: string,
  evenings: readonly Evening[],
): Generator<{ readonly date: string; readonly minutes: number }, void> {
  const minutesOn = new Map(evenings.map(({ weekday, minutes }) => [weekday, minutes]));
  for (let n = 0; n < LONGEST_DAYS; n++) {
    const day = addDays(parseISO(today), n);
    const minutes = minutesOn.get(getISODay(day)) ?? 0;
    if (minutes > 0) yield { date: dayOf(day), minutes };
  }
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
  const sittings: { date: string; minutes: number }[] = [];
  let left = minutesInAll;
  for (const { date, minutes } of eveningsFrom(today, evenings)) {
    if (left <= 0) break;
    const taken = Math.min(left, minutes);
    sittings.push({ date, minutes: taken });
    left -= taken;
  }
  if (left > 0) return null;
  return { readyOn: dayOf(addDays(parseISO(sittings.at(-1)?.date ?? today), pressingNights)), sittings };
}
