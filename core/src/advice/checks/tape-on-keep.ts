import { nameOf } from '../../document/plan';
import { beyondEdge } from './at-the-edge';
import type { Check } from './check';

/** So much of an area may vanish under the tape before it is missed, mm. A hand lays tape no truer. */
const LIMIT_MM = 0.5;

/** A drawn area reaches under the tape, and what lies there will not be painted. */
export const tapeOnKeep: Check = {
  id: 'tape-on-keep',
  station: 'passes',
  severity: 'look',
  find: ({ plan }) =>
    plan.card.border !== 'taped'
      ? []
      : plan.areas.flatMap(({ id: area }) => {
          const beyondMm = beyondEdge(plan, area);
          if (beyondMm <= LIMIT_MM) return [];
          return [
            {
              where: { area },
              number: { value: Math.round(10 * beyondMm) / 10, unit: 'mm', limit: LIMIT_MM },
              why: `${nameOf(plan, area)} lies ${beyondMm.toFixed(1)} mm under the tape: that part stays bare.`,
            },
          ];
        }),
};
