import { nameOf, type Plan } from '@kettle/core/plan';
import { criticalChain, type Timeline } from '@kettle/core/schedule';
import { formatSpan } from '@kettle/core/units';
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

/** What decides when the painting is done: the waits in its chain, the longest first. */
export function chainInWords(plan: Plan, timeline: Timeline): string {
  const waits = criticalChain(timeline)
    .filter(({ waitedS, area }) => area !== null && waitedS > WORTH_A_WORD_S)
    .sort((a, b) => b.waitedS - a.waitedS);
  if (waits.length === 0) return '';
  const said = waits.map(
    ({ area, mask, waitedS }) =>
      `the ${mask ? 'mask on the ' : ''}${nameOf(plan, area!)}, ${formatSpan(waitedS)}`,
  );
  return `What it waits for: ${said.join('; ')}.`;
}
