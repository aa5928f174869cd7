import { daysUntil, occasionsAhead, shareOfYear, type OccasionDay } from '@kettle/core/commission/occasion';
import type { Plan, Studio } from '@kettle/core/document/plan';
import { shortDay } from '../../ui/short-day';

/** How far the ribbon reaches. */
export const RIBBON_DAYS = 365;

/** A day on the ribbon; `along` is its share of the length, 0…1. */
export interface RibbonMark {
  readonly along: number;
  readonly says: string;
}

/** The year ahead: its months, its occasions, and the cards at the days they are wanted. */
export interface Ribbon {
  readonly months: readonly { readonly along: number; readonly name: string }[];
  readonly occasions: readonly RibbonMark[];
  readonly cards: readonly RibbonMark[];
}

/** An occasion to begin a card for. */
export interface ComingOccasion extends OccasionDay {
  readonly key: string;
  readonly when: string;
  /** Cards of the rack that are for it already. */
  readonly begun: number;
}

/** Lays the year from `today` on along a ribbon. Days that fall together are one mark. */
export function ribbonOf(plans: readonly Plan[], studio: Studio, today: string): Ribbon {
  const days = new Map<string, string[]>();
  for (const { day, name, forWhom } of aheadOf(studio, today))
    days.set(day, [...(days.get(day) ?? []), forWhom === null ? name : `${name}, ${forWhom}`]);
  return {
    months: monthsFrom(today),
    occasions: [...days].map(([day, names]) => ({
      along: shareOfYear(day, today, RIBBON_DAYS),
      says: `${shortDay(day)}: ${names.join('; ')}`,
    })),
    cards: plans.flatMap(({ title, brief }) => {
      const along = brief.needBy === null ? -1 : shareOfYear(brief.needBy, today, RIBBON_DAYS);
      return along < 0 || along > 1 ? [] : [{ along, says: `${shortDay(brief.needBy!)}: ${title}` }];
    }),
  };
}

/** The next occasions in order, with what is begun for each. */
export function comingOccasions(
  plans: readonly Plan[],
  studio: Studio,
  today: string,
  most: number,
): ComingOccasion[] {
  return aheadOf(studio, today)
    .slice(0, most)
    .map((occasion) => ({
      ...occasion,
      key: `${occasion.day} ${occasion.name} ${occasion.forWhom ?? ''}`,
      when: inDays(daysUntil(occasion.day, today), occasion.day),
      begun: plans.filter(
        ({ brief }) =>
          brief.needBy === occasion.day && (occasion.forWhom === null || brief.forWhom === occasion.forWhom),
      ).length,
    }));
}

const aheadOf = ({ people, occasions }: Studio, today: string): OccasionDay[] =>
  occasionsAhead(today, RIBBON_DAYS, people, occasions);

function inDays(days: number, day: string): string {
  if (days === 0) return 'today';
  return days === 1 ? 'tomorrow' : `${shortDay(day)}, in ${days} days`;
}

function monthsFrom(today: string): { along: number; name: string }[] {
  const [year, month] = today.split('-').map(Number);
  return Array.from({ length: 12 }, (_, i) => {
    const first = new Date(Date.UTC(year, month + i, 1)).toISOString().slice(0, 10);
    const name = new Date(`${first}T00:00:00`).toLocaleDateString('en-GB', { month: 'short' });
    return { along: shareOfYear(first, today, RIBBON_DAYS), name };
  });
}
