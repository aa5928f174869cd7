import fc from 'fast-check';
import { expect, it } from 'vitest';
import { FEASTS, feastIn, feastRuleSchema, nextFeast, type FeastRule } from '.';

const EASTER: FeastRule = { kind: 'easter', offsetDays: 0 };

/** Easter Sundays as almanacs print them. */
const PRINTED = [
  '2000-04-23',
  '2005-03-27',
  '2008-03-23',
  '2011-04-24',
  '2019-04-21',
  '2024-03-31',
  '2025-04-20',
  '2026-04-05',
  '2038-04-25',
  '2049-04-18',
  '2076-04-19',
  '2100-03-28',
];

/** Gauss's rule of 1816, as an almanac for the Gregorian calendar gives it; another road to the same Sunday. */
function gauss(year: number): string {
  const [a, b, c] = [year % 19, year % 4, year % 7];
  const k = Math.floor(year / 100);
  const p = Math.floor((13 + 8 * k) / 25);
  const q = Math.floor(k / 4);
  const m = (15 - p + k - q) % 30;
  const n = (4 + k - q) % 7;
  const d = (19 * a + m) % 30;
  const e = (2 * b + 4 * c + 6 * d + n) % 7;
  let day = 22 + d + e;
  if (d === 29 && e === 6) day = 50;
  if (d === 28 && e === 6 && (11 * m + 11) % 30 < 19) day = 49;
  return new Date(Date.UTC(year, 2, day)).toISOString().slice(0, 10);
}

it('Easter is where the almanacs and Gauss have it, 2000 to 2100', () => {
  for (const day of PRINTED) expect(feastIn(Number(day.slice(0, 4)), EASTER)).toBe(day);
  for (let year = 2000; year <= 2100; year++) expect(feastIn(year, EASTER), String(year)).toBe(gauss(year));
});

it('an n-th weekday is that weekday, in its week of the month', () => {
  const anyRule = fc.record({
    year: fc.integer({ min: 2000, max: 2100 }),
    month: fc.integer({ min: 1, max: 12 }),
    weekday: fc.integer({ min: 1, max: 7 }),
    nth: fc.constantFrom(1 as const, 2 as const, 3 as const, 4 as const, -1 as const),
  });
  fc.assert(
    fc.property(anyRule, ({ year, ...rule }) => {
      const day = feastIn(year, { kind: 'weekday', ...rule })!;
      const date = new Date(`${day}T12:00:00Z`);
      expect(((date.getUTCDay() + 6) % 7) + 1).toBe(rule.weekday);
      expect(date.getUTCMonth() + 1).toBe(rule.month);
      const inMonth = date.getUTCDate();
      if (rule.nth > 0) expect(Math.ceil(inMonth / 7)).toBe(rule.nth);
      else expect(new Date(date.getTime() + 7 * 86_400_000).getUTCMonth() + 1).not.toBe(rule.month);
    }),
  );
  expect(feastIn(2026, { kind: 'weekday', month: 5, weekday: 7, nth: 2 })).toBe('2026-05-10');
});

it('a day that no year has is refused, the leap day is not', () => {
  expect(feastRuleSchema.safeParse({ kind: 'date', month: 2, day: 29 }).success).toBe(true);
  for (const [month, day] of [
    [2, 30],
    [4, 31],
    [11, 31],
  ])
    expect(feastRuleSchema.safeParse({ kind: 'date', month, day }).error!.issues[0].path).toEqual(['day']);
});

it('the next one is never past, and a leap day waits for its year', () => {
  expect(nextFeast('2026-11-26', { kind: 'date', month: 12, day: 25 })).toBe('2026-12-25');
  expect(nextFeast('2026-12-26', { kind: 'date', month: 12, day: 25 })).toBe('2027-12-25');
  expect(nextFeast('2026-04-05', EASTER)).toBe('2026-04-05');
  expect(nextFeast('2026-04-06', EASTER)).toBe('2027-03-28');
  expect(feastIn(2026, { kind: 'date', month: 2, day: 29 })).toBeNull();
  expect(nextFeast('2026-01-01', { kind: 'date', month: 2, day: 29 })).toBe('2028-02-29');
  for (const { rule } of FEASTS) expect(nextFeast('2026-11-26', rule) >= '2026-11-26').toBe(true);
});
