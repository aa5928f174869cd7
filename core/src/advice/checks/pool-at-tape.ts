import { nameOf, addArea, addPass, smallPlan, type Plan } from '../../document/plan';
import { beyondEdge } from './at-the-edge';
import type { Check } from './check';
import { washedSky } from './edge-plans';
import { rectangle } from '../../kit/geometry';

/** A wash this near the tape runs against it, mm. */
const NEAR_MM = 1;

/** More water than this stands as a bead along the tape and creeps back as the wash dries, µm. Ours. */
const LIMIT_UM = 120;

/** A puddle against the tape feeds back into the drying wash: a bloom all along the edge. */
export const poolAtTape: Check = {
  id: 'pool-at-tape',
  name: 'Puddle along the tape',
  station: 'passes',
  severity: 'look',
  when: `over ${LIMIT_UM} µm of water within ${NEAR_MM} mm of the tape`,
  source: 'ours',
  find: ({ plan, timeline }) =>
    plan.card.border !== 'taped'
      ? []
      : timeline.washes.flatMap(({ area, through, act, laidS, filmUm }) => {
          if (area !== through || filmUm <= LIMIT_UM || beyondEdge(plan, area) < -NEAR_MM) return [];
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
  edges: () => [
    { wrong: washedSky({ filmUm: 121 }), right: washedSky({ filmUm: 120 }) },
    { wrong: pondFromTape(0.9), right: pondFromTape(1.1) },
  ],
};

/** A wet pond so far from the tape. */
const pondFromTape = (mm: number): Plan =>
  smallPlan(addArea('pond', rectangle(mm, 70, 20, 10)), addPass('wash', 'pond', 'blue', { filmUm: 200 }));
