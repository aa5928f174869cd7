import { expect, it } from 'vitest';
import { occasionsAhead, shareOfYear, type Person } from '.';

const WILMA: Person = {
  id: 'wilma',
  name: 'Wilma Okonedo',
  days: [{ name: 'birthday', rule: { kind: 'date', month: 2, day: 29 } }],
};

it('a year ahead has each occasion once, in order, with whose day it is', () => {
  const ahead = occasionsAhead('2026-11-27', 365, [WILMA], []);
  expect(ahead.map(({ day }) => day)).toEqual([...ahead].map(({ day }) => day).sort());
  expect(ahead[0]).toEqual({ day: '2026-12-25', name: 'Christmas', forWhom: null });
  expect(ahead.filter(({ name }) => name === 'Easter').map(({ day }) => day)).toEqual(['2027-03-28']);
  // 2027 has no 29 February.
  expect(ahead.some(({ forWhom }) => forWhom !== null)).toBe(false);
  expect(occasionsAhead('2027-11-27', 365, [WILMA], [])).toContainEqual({
    ...{ day: '2028-02-29', name: 'birthday', forWhom: 'Wilma Okonedo' },
  });
});

it('both ends of the stretch are in it', () => {
  const own = [{ id: 'walk', name: 'Lantern walk', rule: { kind: 'date', month: 11, day: 11 } as const }];
  const walks = occasionsAhead('2026-11-11', 365, [], own).filter(({ name }) => name === 'Lantern walk');
  expect(walks.map(({ day }) => day)).toEqual(['2026-11-11', '2027-11-11']);
});

it('a stretch of several years has every year’s, and days before Easter that fall in the year before', () => {
  const own = [
    { id: 'early', name: 'Long before Easter', rule: { kind: 'easter', offsetDays: -100 } as const },
  ];
  const days = (from: string, length: number): string[] =>
    occasionsAhead(from, length, [], own)
      .filter(({ name }) => name === 'Long before Easter')
      .map(({ day }) => day);
  expect(days('2026-11-27', 3 * 365)).toEqual(['2026-12-18', '2028-01-07', '2028-12-22']);
  expect(days('2026-12-01', 30)).toEqual(['2026-12-18']);
});

it('a day lies as far along as its share of the days', () => {
  expect(shareOfYear('2026-11-27', '2026-11-27', 365)).toBe(0);
  expect(shareOfYear('2027-11-27', '2026-11-27', 365)).toBe(1);
});
