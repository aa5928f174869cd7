import { daysUntil, planBack, postBy, PRESSING_NIGHTS, type Evening } from '@kettle/core/occasion';
import type { Plan } from '@kettle/core/plan';
import { minutesAtTable, type Timeline } from '@kettle/core/schedule';
import { formatSpan } from '@kettle/core/units';

/** What the brief comes to, in words. */
export interface BriefAnswer {
  readonly answer: string;
  readonly late: boolean;
  readonly begun: string;
}

const DAY: Intl.DateTimeFormatOptions = { weekday: 'long', day: 'numeric', month: 'long' };

/** When the card must be in the post, and how many must be begun. */
export function briefAnswer({ brief }: Pick<Plan, 'brief'>, today: string): BriefAnswer {
  const begun = brief.copies + brief.spares;
  const number = begun === 1 ? 'Begin one card.' : `Begin ${begun}, so that ${brief.copies} come out well.`;
  const post = postBy(brief);
  if (post === null)
    return { answer: 'No date: it can wait for a free evening.', late: false, begun: number };
  const days = daysUntil(post, today);
  const day = inWords(post);
  if (days < 0)
    return {
      answer: `It should have gone into the post on ${day}. Take it there yourself, or fewer days for the post.`,
      late: true,
      begun: number,
    };
  return {
    answer: `Into the post by ${day}, ${days === 0 ? 'today' : days === 1 ? 'tomorrow' : `${days} days from now`}.`,
    late: false,
    begun: number,
  };
}

const inWords = (day: string): string => new Date(`${day}T00:00:00`).toLocaleDateString('en-GB', DAY);

/** The days of a week, Monday first, and the minutes the painter has on each evening; 0 is none. */
export interface WeekdayEvening extends Evening {
  readonly name: string;
  readonly short: string;
}

const WEEK = ['Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday', 'Sunday'];

export const weekOf = (evenings: readonly Evening[]): WeekdayEvening[] =>
  WEEK.map((name, i) => ({
    name,
    short: name.slice(0, 2),
    weekday: i + 1,
    minutes: evenings.find(({ weekday }) => weekday === i + 1)?.minutes ?? 0,
  }));

/** The evenings with one of them set, or given up at 0 minutes. */
export const withEvening = (evenings: readonly Evening[], weekday: number, minutes: number): Evening[] =>
  [
    ...evenings.filter((evening) => evening.weekday !== weekday),
    ...(minutes > 0 ? [{ weekday, minutes }] : []),
  ].sort((a, b) => a.weekday - b.weekday);

/** When to sit down first, on the evenings there are; nothing to say without a date or evenings. */
export function eveningsAnswer(
  plan: Pick<Plan, 'brief'>,
  timeline: Pick<Timeline, 'steps'> | null,
  evenings: readonly Evening[],
  today: string,
): { readonly answer: string; readonly late: boolean } | null {
  const { needBy, postingDays } = plan.brief;
  if (needBy === null || timeline === null || evenings.length === 0) return null;
  const { handsMin, waitMin } = minutesAtTable(plan, timeline);
  const { feasible, startBy, sittings, shortByMin } = planBack({
    ...{ today, needBy, postingDays, handsMin, waitMin },
    pressingNights: PRESSING_NIGHTS,
    evenings: [...evenings],
  });
  const asks = `${formatSpan(handsMin * 60)} in hand and ${formatSpan(waitMin * 60)} waiting`;
  if (!feasible || startBy === null)
    return {
      answer: `With ${asks}, ${formatSpan(shortByMin * 60)} are missing before the post. More evenings, fewer copies, less to paint, or a hair dryer.`,
      late: true,
    };
  const number = sittings.length === 1 ? 'One evening is' : `The last ${sittings.length} evenings are`;
  return {
    answer: `${number} enough for ${asks}. Sit down first on ${inWords(startBy)} at the latest.`,
    late: false,
  };
}
