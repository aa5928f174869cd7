import { touchingAreas } from '../../order/areas';
import { deedOf, nameOf, addPass, smallPlan } from '../../document/plan';
import { formatSpan } from '../../kit/units';
import type { Check } from './check';
import { chore } from './edge-plans';

/** Warm air over masking fluid that has not set bakes it into the paper. Over a set mask a dryer at a distance is ordinary. */
export const maskHeated: Check = {
  id: 'mask-heated',
  name: 'Warm air over a soft mask',
  station: 'passes',
  severity: 'stop',
  when: 'warm air comes over masking fluid that has not set',
  source: 'setting of masking fluid in this air (docs/whites.md)',
  find: ({ plan, timeline }) =>
    timeline.steps.flatMap(({ act, startS, before }) => {
      if (deedOf(act) !== 'warms') return [];
      const masked = [...before.masks.keys()];
      const reached = act.areas.length === 0 ? masked : touchingAreas(plan, act.areas, masked);
      return reached.flatMap((area) => {
        const { onS, setS } = before.masks.get(area)!;
        if (setS !== null && startS >= setS) return [];
        return [
          {
            where: { area, atS: startS },
            number: {
              value: Math.round(startS - onS),
              unit: 's',
              limit: setS === null ? null : Math.round(setS - onS),
            },
            why: `the mask on ${nameOf(plan, area)} is not set when warm air comes over it${setS === null ? '' : `; it takes ${formatSpan(setS - onS)}`}: it would bake into the paper.`,
            fix: {
              says: 'Let it dry in the air instead',
              commands: [{ do: 'remove-act' as const, act: act.id }],
            },
          },
        ];
      });
    }),
  edges: () => {
    const [mask, warm] = [chore('mask', 'mask-on', ['boat']), chore('warm', 'dry-warm')];
    // A wash waits until the mask has set.
    return [{ wrong: smallPlan(mask, warm), right: smallPlan(mask, addPass('wash', 'sky', 'blue'), warm) }];
  },
};
