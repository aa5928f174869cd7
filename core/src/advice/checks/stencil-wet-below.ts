import { nameOf, addPass, applyCommands, smallPlan, type Pass, type Plan } from '../../document/plan';
import { formatSpan } from '../../kit/units';
import type { Check } from './check';
import { beginAt } from './fixes';
import { layOut } from '../../order/schedule';

/** The underside of cut paper dries so long after a pass, s. Ours. */
const LIMIT_S = 180;

/** A stencil laid again while its underside is wet prints its own smear. */
export const stencilWetBelow: Check = {
  id: 'stencil-wet-below',
  name: 'Stencil wet below',
  station: 'passes',
  severity: 'look',
  when: `a stencil is laid again within ${formatSpan(LIMIT_S)}`,
  source: 'ours',
  find: ({ timeline, plan }) => {
    const usedUntil = new Map<string, number>();
    return timeline.steps.flatMap(({ act, startS, endS }) => {
      if (act.kind !== 'pass') return [];
      return act.shields.flatMap(({ area, lies }) => {
        const key = `${area} ${lies}`;
        const beforeS = usedUntil.get(key);
        usedUntil.set(key, endS);
        if (beforeS === undefined || startS - beforeS >= LIMIT_S) return [];
        return [
          {
            where: { area, pass: act.id, atS: startS },
            number: { value: Math.round(startS - beforeS), unit: 's', limit: LIMIT_S },
            why: `the stencil of ${nameOf(plan, area)} is laid again after ${formatSpan(startS - beforeS)}: wipe its underside, or wait.`,
            fix: {
              says: `Wait ${formatSpan(LIMIT_S)} between`,
              commands: [beginAt(act.id, { atS: Math.ceil(beforeS + LIMIT_S) })],
            },
          },
        ];
      });
    });
  },
  edges: () => [{ wrong: laidAgainAfter(179), right: laidAgainAfter(180) }],
};

/** A stencil laid on the field so many seconds after it was on the sky. */
function laidAgainAfter(betweenS: number): Plan {
  const shields: Pass['shields'] = [{ area: 'boat', lies: 'over', edge: 'cut' }];
  const first = smallPlan(addPass('one', 'sky', 'blue', { shields }));
  const { endS } = layOut(first).steps.find(({ act }) => act.id === 'one')!;
  const start = { atS: endS + betweenS };
  return applyCommands(first, [addPass('two', 'field', 'blue', { shields, start })]).plan;
}
