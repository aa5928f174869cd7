import { colourAt, LIFT, nameOf, addPass, smallPlan, type Plan } from '../../document/plan';
import { whiteFacts } from '../whites';
import type { Check } from './check';
import { kept, mixFrom } from './edge-plans';

/** Lifted paper that stays darker than wanted by this is seen, L*. Our default, as for paint that cannot lighten. */
const LIMIT_L = 5;

/** Where nobody has said how light, a light is lifted that wins back so much of what was painted over it. Ours. */
const WINS_BACK = 0.5;

/** A pigment that stains, or paper that is sized weakly, is not lifted as light as wanted. */
export const liftOnStaining: Check = {
  id: 'lift-on-staining',
  name: 'Will not lift',
  station: 'whites',
  severity: 'look',
  when: `what is lifted stays over ${LIMIT_L} L* darker than wanted`,
  source: 'ours',
  find: ({ plan }) =>
    plan.whites.flatMap((white) => {
      if (white.way !== 'lift') return [];
      const { wantedL: wholeL, liftedL, crossings } = whiteFacts(plan, white.area, white);
      const wantedL = white.wanted ? wholeL : wonBack(plan, white.area, wholeL);
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
  edges: () => {
    const { liftedL } = whiteFacts(liftedTo(100), 'boat', liftedTo(100).whites[0]);
    return [{ wrong: liftedTo(liftedL + 5.2), right: liftedTo(liftedL + 4.8) }];
  },
};

/** So light is enough for a light that nobody has said a colour of. */
function wonBack(plan: Plan, area: string, wholeL: number): number {
  const lift = plan.acts.findIndex(
    (act) => act.kind === 'pass' && act.technique === LIFT && act.areas.includes(area),
  );
  const paintedL = colourAt(plan, area, Math.max(0, lift))[0];
  return paintedL + WINS_BACK * (wholeL - paintedL);
}

/** A boat lifted out of a staining sky, wanted so light. */
const liftedTo = (wantedL: number): Plan =>
  smallPlan(
    mixFrom('stain', ['PB15:3'], { strength: 0.15 }),
    addPass('wash', 'sky', 'stain'),
    kept('boat', 'lift', { wanted: [wantedL, 0, 0] }),
  );
