import { inTime } from '../../order/schedule';
import type { Check } from './check';
import { addPass, smallPlan, type Plan } from '../../document/plan';
import { DESK } from './edge-plans';

/** The evenings there are do not hold the work before the card has to be posted. */
export const dateMissed: Check = {
  id: 'date-missed',
  name: 'Evenings do not suffice',
  station: 'passes',
  severity: 'stop',
  when: 'the evenings up to the day do not hold the work',
  source: 'the studio’s own evenings',
  find: ({ plan, timeline, desk }) => {
    if (!desk || desk.evenings.length === 0 || plan.brief.needBy === null || plan.areas.length === 0)
      return [];
    const { back, mostCopies } = inTime(plan, timeline, desk.evenings, desk.today);
    if (!back || back.feasible) return [];
    return [
      {
        where: { area: plan.areas[0].id },
        number: { value: Math.ceil(back.shortByMin), unit: 'min', limit: 0 },
        why: `your evenings up to ${plan.brief.needBy}, less post and pressing, are ${Math.ceil(back.shortByMin)} min short.`,
        ...(mostCopies === null || mostCopies === 0
          ? {}
          : {
              fix: {
                says: `Make ${mostCopies} only`,
                commands: [{ do: 'set-brief' as const, change: { copies: mostCopies } }],
              },
            }),
      },
    ];
  },
  edges: () => [{ wrong: dozenBy('2026-04-24'), right: dozenBy('2026-05-08'), desk: DESK }],
};

/** A dozen cards that are needed by a day. */
const dozenBy = (needBy: string): Plan =>
  smallPlan(addPass('wash', 'sky', 'blue'), {
    do: 'set-brief',
    change: { needBy, postingDays: 2, copies: 12 },
  });
