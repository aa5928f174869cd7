import { cardsBegun, daysUntil, postBy, type Evening } from '@kettle/core/commission/occasion';
import type { Plan } from '@kettle/core/document/plan';
import { inTime, type Help, type Timeline } from '@kettle/core/order/schedule';
import { formatSpan } from '@kettle/core/kit/units';

/** What the brief comes to, in words. */
export interface BriefAnswer {
  readonly answer: string;
  readonly late: boolean;
  readonly begun: string;
}

const DAY: Intl.DateTimeFormatOptions = { weekday: 'long', day: 'numeric', month: 'long' };

/** When the card must be in the post, and how many must be begun. */
export function briefAnswer({ brief }: Pick<Plan, 'brief'>, today: string): BriefAnswer {
  const begun = cardsBegun(brief);
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

/** What the evenings come to: when to sit down, or what is missing and what would help. */
export interface EveningsAnswer {
  readonly answer: string;
  readonly late: boolean;
  /** What alone would be enough, or what more there is time for. */
  readonly more: readonly string[];
}

/** When to sit down first, on the evenings there are; nothing to say without evenings. */
export function eveningsAnswer(
  plan: Pick<Plan, 'brief'>,
  timeline: Pick<Timeline, 'steps'> | null,
  evenings: readonly Evening[],
  today: string,
): EveningsAnswer | null {
  if (timeline === null || evenings.length === 0) return null;
  const { handsMin, waitMin, back, forward, mostCopies, help } = inTime(plan, timeline, evenings, today);
  const asks = `${formatSpan(handsMin * 60)} in hand and ${formatSpan(waitMin * 60)} waiting`;
  if (back === null)
    return {
      answer: `${asks}: begun today, it is ready for the post on ${inWords(forward?.readyOn ?? today)}.`,
      ...{ late: false, more: [] },
    };
  if (!back.feasible || back.startBy === null)
    return {
      answer: `With ${asks}, ${formatSpan(back.shortByMin * 60)} are missing before the post.`,
      late: true,
      more: help.length > 0 ? help.map(inHelpWords) : ['A later day, or another card from the rack.'],
    };
  const number =
    back.sittings.length === 1 ? 'One evening is' : `The last ${back.sittings.length} evenings are`;
  const room = mostCopies !== null && mostCopies > plan.brief.copies;
  return {
    answer: `${number} enough for ${asks}. Sit down first on ${inWords(back.startBy)} at the latest.`,
    late: false,
    more: room ? [`There is time for ${mostCopies} by then.`] : [],
  };
}

function inHelpWords(help: Help): string {
  switch (help.way) {
    case 'fewer-copies':
      return `Enough: ${help.copies === 1 ? 'one copy' : `${help.copies} copies`} by that day.`;
    case 'hair-dryer':
      return 'Enough: every layer dried with a hair dryer, warm and not too near.';
    case 'by-hand':
      return 'Enough: taken there yourself instead of posted.';
    case 'longer-evenings':
      return `Enough: ${help.minutesEach} min more on each evening left.`;
  }
}

/** A card made before that this one is like, in what it is for or whom, and who has it. */
export interface EarlierCard {
  readonly id: string;
  readonly title: string;
  readonly like: string;
  readonly had: string;
}

/** The most cards shown as like this one. */
const MOST_ALIKE = 5;

/** Cards of the rack for the same occasion or the same person, those alike in both first. */
export function earlierCards(plan: Pick<Plan, 'id' | 'brief'>, cards: readonly Plan[]): EarlierCard[] {
  const { occasion, forWhom } = plan.brief;
  const isFor = ({ brief }: Plan): boolean => forWhom !== '' && same(brief.forWhom, forWhom);
  const isOf = ({ brief }: Plan): boolean => same(brief.occasion, occasion);
  return cards
    .filter((card) => card.id !== plan.id && (isFor(card) || isOf(card)))
    .sort((a, b) => Number(isFor(b)) - Number(isFor(a)) || Number(isOf(b)) - Number(isOf(a)))
    .slice(0, MOST_ALIKE)
    .map((card) => ({
      ...{ id: card.id, title: card.title },
      like: [
        ...(isOf(card) ? [card.brief.occasion] : []),
        ...(isFor(card) ? [`for ${card.brief.forWhom}`] : []),
      ].join(', '),
      had: hadInWords(card.brief.given),
    }));
}

const same = (one: string, other: string): boolean => one.trim().toLowerCase() === other.trim().toLowerCase();

function hadInWords(given: Plan['brief']['given']): string {
  if (given.length === 0) return 'nobody has one yet';
  const names = given.map(({ to }) => to);
  const shown = names.slice(0, 3).join(', ');
  return `${shown}${names.length > 3 ? ` and ${names.length - 3} more` : ''} ${names.length === 1 ? 'has' : 'have'} one`;
}

/** The cards of the rack that somebody already has, in words; empty for nobody in particular. */
export function alreadyHas(forWhom: string, cards: readonly Plan[]): string {
  if (forWhom.trim() === '') return '';
  const had = cards.flatMap(({ title, brief }) =>
    brief.given
      .filter(({ to }) => same(to, forWhom))
      .map(({ on }) => `“${title}” since ${new Date(`${on}T00:00:00`).toLocaleDateString('en-GB', DATE)}`),
  );
  return had.length === 0 ? '' : `${forWhom} already has ${had.join(' and ')}.`;
}

const DATE: Intl.DateTimeFormatOptions = { day: 'numeric', month: 'long', year: 'numeric' };
