import { nameOf } from '../../document/plan';
import { beyondEdge } from './at-the-edge';
import type { Check } from './check';

/** A wash this near the tape runs against it, mm. */
const NEAR_MM = 1;

/** More water than this stands as a bead along the tape and creeps back as the wash dries, µm. Ours. */
const LIMIT_UM = 120;

/** A puddle against the tape feeds back into the drying wash: a bloom all along the edge. */
export const poolAtTape: Check = {
  id: 'pool-at-tape',
  station: 'passes',
  severity: 'look',
  find: ({ plan, timeline }) =>
    plan.card.border !== 'taped'
      ? []
      : timeline.washes.flatMap(({ area, act, laidS, filmUm }) => {
          if (filmUm <= LIMIT_UM || beyondEdge(plan, area) < -NEAR_MM) return [];
          const pass = plan.acts.find(({ id }) => id === act);
          if (pass?.kind !== 'pass') return [];
          const lessUm = pass.filmUm - Math.ceil(filmUm - LIMIT_UM);
          return [
            {
              where: { area, pass: act, atS: laidS },
              number: { value: Math.round(filmUm), unit: 'µm', limit: LIMIT_UM },
              why: `so much water on ${nameOf(plan, area)} stands along the tape and runs back; take the bead up with a thirsty brush.`,
              ...(lessUm < 10
                ? {}
                : {
                    fix: {
                      says: 'Take less water',
                      commands: [{ do: 'change-pass' as const, pass: act, change: { filmUm: lessUm } }],
                    },
                  }),
            },
          ];
        }),
};
