import { nameOf, addArea, paintedOf, smallPlan, type Plan } from '../../document/plan';
import { beyondEdge } from './at-the-edge';
import type { Check } from './check';
import { rectangle } from '../../kit/geometry';

/** So much of an area may vanish under the tape before it is missed, mm. A hand lays tape no truer. */
const LIMIT_MM = 0.5;

/** A drawn area reaches under the tape, and what lies there will not be painted. */
export const tapeOnKeep: Check = {
  id: 'tape-on-keep',
  name: 'Drawn under the tape',
  station: 'passes',
  severity: 'look',
  when: `an area lies over ${LIMIT_MM} mm under the tape`,
  source: 'no hand lays tape truer',
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
  edges: () => [{ wrong: drawnBeyond(0.55), right: drawnBeyond(0.45) }],
};

/** An area that reaches so far beyond the edge of the panel. */
function drawnBeyond(mm: number): Plan {
  const { widthMm } = paintedOf(smallPlan()).panel;
  return smallPlan(addArea('edge', rectangle(widthMm - 20, 60, 20 + mm, 10)));
}
