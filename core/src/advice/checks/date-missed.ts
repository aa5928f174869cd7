import { inTime } from '../../order/schedule';
import type { Check } from './check';

/** The evenings there are do not hold the work before the card has to be posted. */
export const dateMissed: Check = {
  id: 'date-missed',
  station: 'passes',
  severity: 'stop',
  find: ({ plan, timeline, desk }) => {
    if (!desk || desk.evenings.length === 0 || plan.brief.needBy === null || plan.areas.length === 0)
      return [];
    const { back } = inTime(plan, timeline, desk.evenings, desk.today);
    if (!back || back.feasible) return [];
    return [
      {
        where: { area: plan.areas[0].id },
        number: { value: Math.ceil(back.shortByMin), unit: 'min', limit: 0 },
        why: `your evenings up to ${plan.brief.needBy}, less post and pressing, are ${Math.ceil(back.shortByMin)} min short.`,
        ...(plan.brief.copies > 1
          ? {
              fix: {
                says: 'Make one only',
                commands: [{ do: 'set-brief' as const, change: { copies: 1, spares: 0 } }],
              },
            }
          : {}),
      },
    ];
  },
};
