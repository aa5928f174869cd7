import { OFF_DEG, shadowFindings, areasOfLight } from '../../order/areas';
import { nameOf, applyCommands, smallPlan, type Plan } from '../../document/plan';
import type { Check } from './check';

/** A cast shadow that falls towards the light. */
export const shadeWrongSide: Check = {
  id: 'shade-wrong-side',
  name: 'Shadow towards the lamp',
  station: 'passes',
  severity: 'look',
  when: `a cast shadow lies over ${OFF_DEG}° off the way the lamp throws it`,
  source: 'ours',
  find: ({ plan }) =>
    shadowFindings(plan).map(({ shadow, of, offDeg }) => ({
      where: { area: shadow },
      number: { value: Math.round(offDeg), unit: '°', limit: OFF_DEG },
      why: `${nameOf(plan, shadow)} falls ${Math.round(offDeg)}° off the way the lamp throws the shadow of ${nameOf(plan, of)}.`,
    })),
  edges: () => [{ wrong: lampMovedTo(150), right: lampMovedTo(40) }],
};

/** A boat seen as a ball with the shadow of one lamp, which then goes round to so far. */
function lampMovedTo(sideDeg: number): Plan {
  const lit = smallPlan(
    { do: 'see-as', area: 'boat', form: 'ball' },
    { do: 'set-lamp', lamp: { sideDeg: 30, heightDeg: 40 } },
  );
  let n = 0;
  const shaded = areasOfLight(lit, 'boat', () => `of-light-${n++}`);
  return applyCommands(lit, [...shaded, { do: 'set-lamp', lamp: { sideDeg, heightDeg: 40 } }]).plan;
}
