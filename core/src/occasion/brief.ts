import * as z from 'zod';
import { isoDate } from '../units';

/** Why and for whom a card is made, how many, and by when. */
export const briefSchema = z.strictObject({
  occasion: z.string().max(60),
  forWhom: z.string().max(80).default(''),
  copies: z.int().min(1).max(500),
  /** Extra copies begun, since some get spoilt. */
  spares: z.int().min(0).max(100).default(0),
  wordingOutside: z.string().max(400).default(''),
  wordingInside: z.string().max(2000).default(''),
  needBy: isoDate.nullable().default(null),
  postingDays: z.int().min(0).max(60).default(2),
});
export type Brief = z.infer<typeof briefSchema>;

const DAY_MS = 86_400_000;

/** The last day a card may go into the post, or `null` when there is no date. */
export function postBy({ needBy, postingDays }: Pick<Brief, 'needBy' | 'postingDays'>): string | null {
  if (needBy === null) return null;
  return new Date(Date.parse(`${needBy}T00:00:00Z`) - postingDays * DAY_MS).toISOString().slice(0, 10);
}

/** Whole days from `today` to `day`, both `YYYY-MM-DD`; negative when the day is past. */
export function daysUntil(day: string, today: string): number {
  return Math.round((Date.parse(`${day}T00:00:00Z`) - Date.parse(`${today}T00:00:00Z`)) / DAY_MS);
}
