import { addDays, getISODay, parseISO, subDays } from 'date-fns';
import * as z from 'zod';
import { isoDate } from '../../kit/units';
import { dayOf } from './brief';

/** An evening of the week the painter has for painting; Monday is 1 (ISO 8601). */
export const eveningSchema = z.strictObject({
  weekday: z.int().min(1).max(7),
  minutes: z.number().positive().max(1440),
});
export type Evening = z.infer<typeof eveningSchema>;

/** The evenings of a week, no weekday twice. */
export const eveningsSchema = z
  .array(eveningSchema)
  .max(7)
  .refine((evenings) => new Set(evenings.map(({ weekday }) => weekday)).size === evenings.length, {
    error: 'names a weekday twice',
  });

/** Nights a finished card rests under weight before it is posted, unless the painter says otherwise. */
export const PRESSING_NIGHTS = 1;

export const planBackSchema = z.strictObject({
  today: isoDate,
  needBy: isoDate,
  /** Calendar days in the post. */
  postingDays: z.int().min(0).max(60),
  /** Nights under weight between the last sitting and the post. */
  pressingNights: z.int().min(0).max(30).default(PRESSING_NIGHTS),
  evenings: eveningsSchema,
  handsMin: z.number().min(0).max(1e5),
  waitMin: z.number().min(0).max(1e5),
});
export type PlanBackRequest = z.infer<typeof planBackSchema>;

/** When to sit down so that a card is there in time. */
export interface PlanBack {
  readonly feasible: boolean;
  /** The last day on which the first sitting may be; `null` when there is not time enough. */
  readonly startBy: string | null;
  /** Sittings as late as may be, in order; when there is not time enough, every evening there is. */
  readonly sittings: readonly { readonly date: string; readonly minutes: number }[];
  /** Minutes that are missing. */
  readonly shortByMin: number;
}

/**
 * Counts back from the day a card is needed: posting days, nights under weight, then evenings until hands and waits
 * have their minutes. Waits count in full, since a plan's waits are between acts of one sitting.
 */
export function planBack(request: PlanBackRequest): PlanBack {
  const { today, needBy, postingDays, pressingNights, evenings, handsMin, waitMin } = request;
  const minutesOn = new Map(evenings.map(({ weekday, minutes }) => [weekday, minutes]));
  const sittings: { date: string; minutes: number }[] = [];
  let short = handsMin + waitMin;
  for (
    let day = subDays(parseISO(needBy), postingDays + pressingNights);
    short > 0 && dayOf(day) >= today;
    day = addDays(day, -1)
  ) {
    const minutes = Math.min(short, minutesOn.get(getISODay(day)) ?? 0);
    if (minutes === 0) continue;
    sittings.unshift({ date: dayOf(day), minutes });
    short -= minutes;
  }
  const feasible = short <= 0 && dayOf(subDays(parseISO(needBy), postingDays)) >= today;
  return {
    feasible,
    startBy: feasible
      ? (sittings.at(0)?.date ?? dayOf(subDays(parseISO(needBy), postingDays + pressingNights)))
      : null,
    sittings,
    shortByMin: Math.max(0, short),
  };
}
