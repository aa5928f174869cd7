import { partName, type Plan } from '@kettle/core/document/plan';
import {
  criticalChain,
  type BetterOrder,
  type IdleWait,
  type NoOrder,
  type Timeline,
  type WayOut,
} from '@kettle/core/order/schedule';
import { formatSpan } from '@kettle/core/kit/units';
import { actInWords } from '../../ui/act-words';

/** Waits shorter than this decide nothing worth a word, s. */
const WORTH_A_WORD_S = 90;

/** What an order moves: each act that goes before another than it did, said by what it now comes before. */
export function movesInWords(plan: Plan, order: readonly string[]): string[] {
  const acts = new Map(plan.acts.map((act) => [act.id, act]));
  const before = plan.acts.map(({ id }) => id);
  return order.flatMap((id, i) => {
    const next = order.at(i + 1);
    if (next === undefined || before.indexOf(id) <= before.indexOf(next)) return [];
    return [`${actInWords(plan, acts.get(id)!)} before: ${actInWords(plan, acts.get(next)!)}.`];
  });
}

/** What another order brings. */
export function orderInWords(found: Omit<BetterOrder, 'plan'> | null): string {
  if (!found) return 'No order is found that ends a minute sooner.';
  const { beforeS, afterS, keepsWindows } = found;
  const sooner = `${formatSpan(Math.abs(beforeS - afterS))} ${afterS <= beforeS ? 'sooner' : 'later'}`;
  return keepsWindows
    ? `What goes into the wet can come in time, and all be done ${sooner}:`
    : `It can be done ${sooner}:`;
}

/** What decides when the painting is done: the waits in its chain, the longest first. */
export function chainInWords(plan: Plan, timeline: Timeline): string {
  const waits = criticalChain(timeline)
    .filter(({ waitedS, area }) => area !== null && waitedS > WORTH_A_WORD_S)
    .sort((a, b) => b.waitedS - a.waitedS);
  if (waits.length === 0) return '';
  const said = waits.map(
    ({ area, mask, waitedS }) =>
      `the ${mask ? 'mask on the ' : ''}${partName(plan, area!)}, ${formatSpan(waitedS)}`,
  );
  return `What it waits for: ${said.join('; ')}.`;
}

/** What cannot hold together, each rule as a painter would say it. */
export const conflictInWords = (plan: Plan, conflict: NoOrder['conflict']): string[] =>
  conflict.map(({ from, to, minS, maxS }) => {
    const [before, after] = [from, to].map((id) => actSaid(plan, id));
    if (maxS !== undefined)
      return `${after}: at most ${formatSpan(maxS)} after “${before}”, while that is wet.`;
    const act = plan.acts.find(({ id }) => id === from);
    const isMask = act?.kind === 'chore' && act.chore === 'mask-on';
    if (minS === 0) return `${after}: not before “${before}”.`;
    return `${after}: not until “${before}” ${isMask ? 'has set' : 'is dry'}, ${formatSpan(minS)}.`;
  });

/** A way out as something to be done. */
export function wayOutInWords(plan: Plan, { kind, act, other, endS }: WayOut): string {
  const [it, that] = [act, other].map((id) => actSaid(plan, id));
  const says = {
    'mask-first': `“${it}” before “${that}”`,
    'straight-after': `“${it}” straight after “${that}”`,
    'wet-again': `wet the paper again before “${it}”`,
  }[kind];
  return `The cheapest way out: ${says}. All is dry ${formatSpan(endS)} after you begin.`;
}

/** What can be done in the waits, the longest first. */
export function meanwhileInWords(plan: Plan, idle: readonly IdleWait[]): string {
  const waits = idle.filter(({ meanwhile }) => meanwhile.length > 0).sort((a, b) => b.waitS - a.waitS);
  if (waits.length === 0) return '';
  const said = waits.map(({ area, waitS, meanwhile }) => {
    const what = meanwhile.map((id) => `“${actSaid(plan, id)}”`).join(' or ');
    return `${area === null ? '' : `for the ${partName(plan, area)}, `}${formatSpan(waitS)}: ${what}`;
  });
  return `Meanwhile there is time, ${said.join('; ')}.`;
}

const actSaid = (plan: Plan, id: string): string =>
  actInWords(
    plan,
    plan.acts.find((act) => act.id === id)!,
  );
