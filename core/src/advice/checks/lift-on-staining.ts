import { nameOf } from '../../document/plan';
import { whiteFacts } from '../whites';
import type { Check } from './check';

/** Lifted paper that stays darker than wanted by this is seen, L*. Our default, as for paint that cannot lighten. */
const LIMIT_L = 5;

/** A pigment that stains, or paper that is sized weakly, is not lifted as light as wanted. */
export const liftOnStaining: Check = {
  id: 'lift-on-staining',
  station: 'whites',
  severity: 'look',
  find: ({ plan }) =>
    plan.whites.flatMap((white) => {
      if (white.way !== 'lift') return [];
      const { wantedL, liftedL, crossings } = whiteFacts(plan, white.area, white);
      const short = wantedL - liftedL;
      if (crossings === 0 || short <= LIMIT_L) return [];
      return [
        {
          where: { area: white.area },
          number: { value: Math.round(10 * short) / 10, unit: 'L*', limit: LIMIT_L },
          why: `${nameOf(plan, white.area)} is wanted at L* ${Math.round(wantedL)}; lifted it comes to ${Math.round(liftedL)}.`,
          fix: {
            says: `Mask ${nameOf(plan, white.area)} instead`,
            commands: [{ do: 'keep-white' as const, white: { ...white, way: 'mask' as const } }],
          },
        },
      ];
    }),
};
