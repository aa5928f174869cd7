import * as z from 'zod';
import { id } from '../../kit/units';

const month = z.int().min(1).max(12);

/** When an occasion falls: on a date, on the n-th or last weekday of a month, or so many days from Easter Sunday. */
export const feastRuleSchema = z.discriminatedUnion('kind', [
  z
    .strictObject({ kind: z.literal('date'), month, day: z.int().min(1).max(31) })
    // A leap year has every day there is; one that never comes would be waited for without end.
    .refine(({ month, day }) => day <= daysIn(2000, month), {
      path: ['day'],
      error: 'does not come in that month of any year',
    }),
  z.strictObject({
    kind: z.literal('weekday'),
    month,
    /** Monday is 1 (ISO 8601). */
    weekday: z.int().min(1).max(7),
    /** First to fourth; −1 is the last. */
    nth: z.union([z.literal([1, 2, 3, 4]), z.literal(-1)]),
  }),
  z.strictObject({ kind: z.literal('easter'), offsetDays: z.int().min(-100).max(100) }),
]);
export type FeastRule = z.infer<typeof feastRuleSchema>;

/** An occasion of somebody's own, which comes every year. */
export const ownOccasionSchema = z.strictObject({
  id,
  name: z.string().min(1).max(60),
  rule: feastRuleSchema,
});

/** An occasion that comes every year. */
export interface Feast {
  readonly id: string;
  readonly name: string;
  readonly rule: FeastRule;
}

/** Occasions of the year to start from; which of them are kept, and on which day, differs from land to land. */
export const FEASTS: readonly Feast[] = [
  { id: 'new-year', name: 'New Year', rule: { kind: 'date', month: 1, day: 1 } },
  { id: 'valentine', name: 'Valentine’s Day', rule: { kind: 'date', month: 2, day: 14 } },
  { id: 'mothering-sunday', name: 'Mothering Sunday', rule: { kind: 'easter', offsetDays: -21 } },
  { id: 'easter', name: 'Easter', rule: { kind: 'easter', offsetDays: 0 } },
  {
    id: 'may-mothers-day',
    name: 'Mother’s Day in May',
    rule: { kind: 'weekday', month: 5, weekday: 7, nth: 2 },
  },
  { id: 'whitsun', name: 'Whitsun', rule: { kind: 'easter', offsetDays: 49 } },
  { id: 'fathers-day', name: 'Father’s Day', rule: { kind: 'weekday', month: 6, weekday: 7, nth: 3 } },
  { id: 'christmas', name: 'Christmas', rule: { kind: 'date', month: 12, day: 25 } },
];

/** The day an occasion falls on in a year, `YYYY-MM-DD`; `null` where that year has none (29 February). */
export function feastIn(year: number, rule: FeastRule): string | null {
  switch (rule.kind) {
    case 'date':
      return rule.day <= daysIn(year, rule.month) ? iso(utc(year, rule.month, rule.day)) : null;
    case 'weekday':
      return iso(weekdayOf(year, rule.month, rule.weekday, rule.nth));
    case 'easter':
      return iso(easter(year) + rule.offsetDays);
  }
}

/** The next day an occasion falls on, from `today` on. */
export function nextFeast(today: string, rule: FeastRule): string {
  for (let year = Number(today.slice(0, 4)); ; year++) {
    const day = feastIn(year, rule);
    if (day !== null && day >= today) return day;
  }
}

// Days are counted from 1970 in universal time, where every day has twenty-four hours.
const DAY_MS = 86_400_000;
const utc = (year: number, month: number, day: number): number => Date.UTC(year, month - 1, day) / DAY_MS;
const iso = (day: number): string => new Date(day * DAY_MS).toISOString().slice(0, 10);
const daysIn = (year: number, month: number): number => utc(year, month + 1, 1) - utc(year, month, 1);

function weekdayOf(year: number, month: number, weekday: number, nth: number): number {
  const first = utc(year, month, 1);
  const firstWeekday = ((first + 3) % 7) + 1;
  const firstOfThem = first + ((weekday - firstWeekday + 7) % 7);
  if (nth > 0) return firstOfThem + 7 * (nth - 1);
  return firstOfThem + 7 * Math.floor((first + daysIn(year, month) - 1 - firstOfThem) / 7);
}

/** Easter Sunday of the Gregorian calendar, days from 1970 (anonymous computus; Meeus, Astronomical Algorithms, ch. 8). */
function easter(year: number): number {
  const a = year % 19;
  const b = Math.floor(year / 100);
  const c = year % 100;
  const d = Math.floor(b / 4);
  const e = b % 4;
  const f = Math.floor((b + 8) / 25);
  const g = Math.floor((b - f + 1) / 3);
  const h = (19 * a + b - d - g + 15) % 30;
  const i = Math.floor(c / 4);
  const k = c % 4;
  const l = (32 + 2 * e + 2 * i - h - k) % 7;
  const m = Math.floor((a + 11 * h + 22 * l) / 451);
  const n = h + l - 7 * m + 114;
  return utc(year, Math.floor(n / 31), (n % 31) + 1);
}
