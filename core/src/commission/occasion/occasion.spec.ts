import { expect, it } from 'vitest';
import { dayOf, daysUntil, postBy } from '.';

it('posts in time, across months and leap days', () => {
  expect(postBy({ needBy: '2026-12-11', postingDays: 2 })).toBe('2026-12-09');
  expect(postBy({ needBy: '2028-03-01', postingDays: 1 })).toBe('2028-02-29');
  expect(postBy({ needBy: null, postingDays: 2 })).toBeNull();
  expect(daysUntil('2026-12-11', '2026-11-24')).toBe(17);
  expect(dayOf(new Date(2026, 10, 24, 23, 50))).toBe('2026-11-24');
  expect(daysUntil('2026-11-20', '2026-11-24')).toBe(-4);
});
