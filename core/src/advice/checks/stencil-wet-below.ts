import { nameOf } from '../../document/plan';
import { formatSpan } from '../../kit/units';
import type { Check } from './check';
import { beginAt } from './fixes';

/** The underside of cut paper dries so long after a pass, s. Ours. */
const LIMIT_S = 180;

/** A stencil laid again while its underside is wet prints its own smear. */
export const stencilWetBelow: Check = {
  id: 'stencil-wet-below',
  station: 'passes',
  severity: 'look',
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
};
