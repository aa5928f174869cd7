import { dayOf, occasionsAhead, postBy, type FeastRule, type Person } from '@kettle/core/commission/occasion';
import type { CalendarDay } from '@kettle/core/files/formats';
import type { Plan, Studio } from '@kettle/core/document/plan';
import { RIBBON_DAYS } from './ribbon.view';

export const MONTHS: readonly { readonly id: number; readonly name: string }[] = Array.from(
  { length: 12 },
  (_, i) => ({
    id: i + 1,
    name: new Date(2026, i, 1).toLocaleDateString('en-GB', { month: 'long' }),
  }),
);

export const WEEKDAYS: readonly { readonly id: number; readonly name: string }[] = Array.from(
  { length: 7 },
  // 5 January 2026 is a Monday.
  (_, i) => ({ id: i + 1, name: new Date(2026, 0, 5 + i).toLocaleDateString('en-GB', { weekday: 'long' }) }),
);

export const TURNS: readonly { readonly id: 1 | 2 | 3 | 4 | -1; readonly name: string }[] = [
  { id: 1, name: 'first' },
  { id: 2, name: 'second' },
  { id: 3, name: 'third' },
  { id: 4, name: 'fourth' },
  { id: -1, name: 'last' },
];

/** A day of the year in words: `11 November`, `second Sunday of May`, `3 days before Easter`. */
export function ruleInWords(rule: FeastRule): string {
  const named = (list: readonly { id: number; name: string }[], id: number): string =>
    list.find((entry) => entry.id === id)!.name;
  switch (rule.kind) {
    case 'date':
      return `${rule.day} ${named(MONTHS, rule.month)}`;
    case 'weekday':
      return `${named(TURNS, rule.nth)} ${named(WEEKDAYS, rule.weekday)} of ${named(MONTHS, rule.month)}`;
    case 'easter': {
      const days = Math.abs(rule.offsetDays);
      if (days === 0) return 'Easter Sunday';
      return `${days} ${days === 1 ? 'day' : 'days'} ${rule.offsetDays < 0 ? 'before' : 'after'} Easter Sunday`;
    }
  }
}

/** A day the painter keeps: of a person, or of the house (`person` is `null`). */
export interface KeptDay {
  readonly person: string | null;
  readonly at: number;
  readonly name: string;
  readonly forWhom: string;
  readonly when: string;
}

/** All days kept, people's first. */
export function keptDays({ people, occasions }: Pick<Studio, 'people' | 'occasions'>): KeptDay[] {
  return [
    ...people.flatMap(({ id, name: forWhom, days }) =>
      days.map(({ name, rule }, at) => ({ person: id, at, name, forWhom, when: ruleInWords(rule) })),
    ),
    ...occasions.map(({ name, rule }, at) => ({
      ...{ person: null, at, name, forWhom: '', when: ruleInWords(rule) },
    })),
  ];
}

type Days = Pick<Studio, 'people' | 'occasions'>;

/** The studio's days with one more: of somebody by name, who is added if new, or of the house without a name. */
export function withDay(days: Days, forWhom: string, name: string, rule: FeastRule, newId: string): Days {
  const who = forWhom.trim();
  if (who === '') return { ...days, occasions: [...days.occasions, { id: newId, name, rule }] };
  const known = days.people.find((person) => person.name.toLowerCase() === who.toLowerCase());
  const with_ = (person: Person): Person => ({ ...person, days: [...person.days, { name, rule }] });
  return {
    ...days,
    people: known
      ? days.people.map((person) => (person === known ? with_(person) : person))
      : [...days.people, with_({ id: newId, name: who, days: [] })],
  };
}

/** The studio's days without one of them; a person without days stays known. */
export function withoutDay(days: Days, { person, at }: Pick<KeptDay, 'person' | 'at'>): Days {
  return person === null
    ? { ...days, occasions: days.occasions.filter((_, i) => i !== at) }
    : {
        ...days,
        people: days.people.map((one) =>
          one.id === person ? { ...one, days: one.days.filter((_, i) => i !== at) } : one,
        ),
      };
}

/** What a calendar of somebody else's is to show: occasions of the year ahead, and when each card goes into the post. */
export function calendarOf(plans: readonly Plan[], studio: Studio, now: Date): CalendarDay[] {
  const today = dayOf(now);
  return [
    ...occasionsAhead(today, RIBBON_DAYS, studio.people, studio.occasions).map(
      ({ day, name, forWhom }, i) => ({
        id: `occasion-${day}-${i}`,
        day,
        name: forWhom === null ? name : `${name}, ${forWhom}`,
        everyYear: false,
      }),
    ),
    ...plans.flatMap((plan) => {
      const day = postBy(plan.brief);
      return day === null
        ? []
        : [{ id: `post-${plan.id}`, day, name: `Post “${plan.title}”`, everyYear: false }];
    }),
  ];
}

/** The yearly days of a calendar file as days of the house, and how many others were left. */
export function takenIn(
  days: Days,
  found: readonly CalendarDay[],
  idOf: () => string,
): Days & { left: number } {
  const yearly = found.filter(({ everyYear }) => everyYear);
  const known = new Set(days.occasions.map(({ name, rule }) => `${name} ${ruleInWords(rule)}`));
  const fresh = yearly.flatMap(({ name, day }) => {
    const rule: FeastRule = { kind: 'date', month: Number(day.slice(5, 7)), day: Number(day.slice(8, 10)) };
    const short = name.replaceAll('\n', ' ').slice(0, 60);
    const key = `${short} ${ruleInWords(rule)}`;
    if (known.has(key)) return [];
    known.add(key);
    return [{ id: idOf(), name: short, rule }];
  });
  return { ...days, occasions: [...days.occasions, ...fresh], left: found.length - yearly.length };
}
