import { daysUntil, postBy } from '@kettle/core/occasion';
import type { Plan } from '@kettle/core/plan';

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
  const day = new Date(`${post}T00:00:00`).toLocaleDateString('en-GB', DAY);
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
