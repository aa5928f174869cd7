import { addDays, differenceInCalendarDays, parseISO } from 'date-fns';
import { dayOf } from './brief';
import { FEASTS, feastIn, type Feast, type FeastRule } from './feast';
import type { Person } from './person';

/** A day a card may be wanted for. */
export interface OccasionDay {
  readonly day: string;
  readonly name: string;
  /** Whose day it is; `null` for everybody's. */
  readonly forWhom: string | null;
}

/** The days of everybody and of one's own people from `today` on, so many days long, in order. */
export function occasionsAhead(
  today: string,
  days: number,
  people: readonly Person[],
  own: readonly Feast[],
): OccasionDay[] {
  const end = dayOf(addDays(parseISO(today), days));
  // A day counted back from Easter may belong to the year after.
  const [first, last] = [today, end].map((day) => Number(day.slice(0, 4)));
  const years = Array.from({ length: last - first + 2 }, (_, i) => first + i);
  const within = (name: string, forWhom: string | null, rule: FeastRule): OccasionDay[] =>
    years
      .map((year) => feastIn(year, rule))
      .flatMap((day) => (day !== null && day >= today && day <= end ? [{ day, name, forWhom }] : []));
  return [
    ...[...FEASTS, ...own].flatMap(({ name, rule }) => within(name, null, rule)),
    ...people.flatMap((person) => person.days.flatMap(({ name, rule }) => within(name, person.name, rule))),
  ].sort((a, b) => a.day.localeCompare(b.day) || a.name.localeCompare(b.name));
}

/** How far along a stretch of `days` from `today` a day lies, 0…1; outside below 0 or above 1. */
export const shareOfYear = (day: string, today: string, days: number): number =>
  differenceInCalendarDays(parseISO(day), parseISO(today)) / days;
