import { addPass, mixesOf, smallPlan } from '../../document/plan';
import type { Check } from './check';

/** Paint is mixed for nothing: it takes a well, and a minute before the first wash. */
export const mixNeverUsed: Check = {
  id: 'mix-never-used',
  name: 'Mix never used',
  station: 'colours',
  severity: 'note',
  when: 'no pass of any copy lays a mix',
  source: 'what a mix is for',
  ofTheCard: true,
  find: ({ plan }) => {
    const laid = plan.acts.flatMap((act) => (act.kind === 'pass' ? mixesOf(act) : []));
    // Before anything is painted there is nothing to miss.
    if (laid.length === 0) return [];
    const otherwise = plan.variants.flatMap(({ changes }) =>
      changes.flatMap((change) => (change.do === 'lay-in' ? [change.mix] : [])),
    );
    const used = new Set([...laid, ...otherwise]);
    return plan.mixes
      .filter(({ id }) => !used.has(id))
      .map(({ id, name }) => ({
        where: { mix: id },
        number: { value: 0, unit: 'passes', limit: 1 },
        why: `${name} is mixed, and no pass is painted with it.`,
        fix: { says: `Mix no ${name}`, commands: [{ do: 'remove-mix' as const, mix: id }] },
      }));
  },
  edges: () => {
    const washes = ['blue', 'dark', 'lemon'].map((mix) => addPass(mix, 'sky', mix));
    return [{ wrong: smallPlan(...washes.slice(1)), right: smallPlan(...washes) }];
  },
};
