import { daysUntil, postBy, type PlanBack } from '@kettle/core/commission/occasion';
import { paintedOf, type Plan } from '@kettle/core/document/plan';
import { actInWords } from '../../ui/act-words';
import { shortDay } from '../../ui/short-day';

/** A card as it stands on the rack. */
export interface RackCard {
  readonly plan: Plan;
  /** Where it has got to, in words. */
  readonly stage: string;
  readonly nextAct: string;
  readonly due: string;
  readonly pressing: boolean;
  /** Finished ones nobody has yet, in words; empty before it is finished. */
  readonly stock: string;
  /** Size on the rack, px; all cards at one scale. */
  readonly widthPx: number;
  readonly heightPx: number;
}

/** Scale of the rack, px per mm. */
const PX_PER_MM = 1.35;

/** A card wanted within so many days is pressing. */
const PRESSING_DAYS = 3;

/** Cards as they last stood: most are put up again as they are, while others are still being read. */
const standing = new WeakMap<Plan, { readonly today: string; readonly card: RackCard }>();

/** Made once: to make one takes as long as a hundred comparisons. */
const { compare } = new Intl.Collator();

/** The cards in the order in which they are needed; those without a date come last. */
export function rackCards(plans: readonly Plan[], today: string): RackCard[] {
  return [...plans]
    .sort((a, b) => compare(a.brief.needBy ?? '9999', b.brief.needBy ?? '9999') || compare(a.title, b.title))
    .map((plan) => {
      const known = standing.get(plan);
      if (known?.today === today) return known.card;
      const card = rackCard(plan, today);
      standing.set(plan, { today, card });
      return card;
    });
}

function rackCard(plan: Plan, today: string): RackCard {
  const { paint } = paintedOf(plan);
  const post = postBy(plan.brief);
  const days = post === null ? null : daysUntil(post, today);
  return {
    plan,
    stage: stageOfCard(plan),
    nextAct: nextActOf(plan),
    due: dueInWords(post, days),
    stock: stockOf(plan),
    pressing: days !== null && days <= PRESSING_DAYS,
    widthPx: Math.round(paint.widthMm * PX_PER_MM),
    heightPx: Math.round(paint.heightMm * PX_PER_MM),
  };
}

function stockOf(plan: Plan): string {
  if (stageOfCard(plan) !== 'finished') return '';
  const left = plan.brief.copies - plan.brief.given.length;
  return left <= 0 ? 'all given away' : `${left} of ${plan.brief.copies} in stock`;
}

/** When to sit down for a card at the latest; `late` when there is not time enough any more. */
export interface LastEvening {
  readonly says: string;
  readonly late: boolean;
}

/** The last evening to start a card, as it was reckoned; `null` without a day it is wanted by, or once it is done. */
export function lastEvening(plan: Plan, back: PlanBack | null): LastEvening | null {
  if (back === null || stageOfCard(plan) === 'finished') return null;
  if (!back.feasible || back.startBy === null)
    return { says: 'not enough evenings left: see its Brief', late: true };
  return { says: `sit down by ${shortDay(back.startBy)}`, late: false };
}

function stageOfCard(plan: Plan): string {
  const done = doneActs(plan);
  if (plan.acts.length > 0 && plan.acts.every((act) => done.has(act.id))) return 'finished';
  if (plan.sitting) return `at the table, ${done.size} of ${plan.acts.length} acts done`;
  if (plan.acts.some((act) => act.kind === 'pass')) return 'planned';
  return plan.areas.length > 0 ? 'drawn' : 'begun';
}

function nextActOf(plan: Plan): string {
  const done = doneActs(plan);
  const next = plan.acts.find((act) => !done.has(act.id));
  return next ? actInWords(plan, next) : 'nothing left to do';
}

const doneActs = (plan: Plan): Set<string | undefined> =>
  new Set(plan.sitting?.events.flatMap((event) => (event.kind === 'done' ? [event.act] : [])));

function dueInWords(post: string | null, days: number | null): string {
  if (post === null || days === null) return 'no date';
  if (days < 0) return `should have been posted ${-days} days ago`;
  if (days === 0) return 'post it today';
  return `post it in ${days} ${days === 1 ? 'day' : 'days'}`;
}
