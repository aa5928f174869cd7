import { differenceInCalendarDays, formatISO, parseISO, subDays } from 'date-fns';
import * as z from 'zod';
import { isoDate } from '../../kit/units';

/** More copies no card has. */
export const MOST_COPIES = 500;

/** Why and for whom a card is made, how many, and by when. */
export const briefSchema = z.strictObject({
  occasion: z.string().max(60),
  forWhom: z.string().max(80).default(''),
  copies: z.int().min(1).max(MOST_COPIES),
  /** Extra copies begun, since some get spoilt. */
  spares: z.int().min(0).max(100).default(0),
  wordingOutside: z.string().max(400).default(''),
  wordingInside: z.string().max(2000).default(''),
  needBy: isoDate.nullable().default(null),
  postingDays: z.int().min(0).max(60).default(2),
  /** Words for how it should feel: quiet, bright, wintry. */
  mood: z.string().max(120).default(''),
  /** Who has had a copy of it, and when. */
  given: z
    .array(z.strictObject({ to: z.string().min(1).max(80), on: isoDate }))
    .max(1000)
    .default([]),
});
export type Brief = z.infer<typeof briefSchema>;

/** A day as `YYYY-MM-DD`, in the calendar on the wall. */
export const dayOf = (moment: Date): string => formatISO(moment, { representation: 'date' });

/** The last day a card may go into the post, or `null` when there is no date. */
export function postBy({ needBy, postingDays }: Pick<Brief, 'needBy' | 'postingDays'>): string | null {
  return needBy === null ? null : dayOf(subDays(parseISO(needBy), postingDays));
}

/** Whole days from `today` to `day`, both `YYYY-MM-DD`; negative when the day is past. */
export const daysUntil = (day: string, today: string): number =>
  differenceInCalendarDays(parseISO(day), parseISO(today));

/** Cards that are begun in all: what is wanted, and what may be spoilt. */
export const cardsBegun = ({ copies, spares }: Pick<Brief, 'copies' | 'spares'>): number => copies + spares;
