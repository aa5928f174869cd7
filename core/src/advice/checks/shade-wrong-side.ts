import { OFF_DEG, shadowsAmiss } from '../../order/areas';
import { nameOf } from '../../document/plan';
import type { Check } from './check';

/** A cast shadow that falls towards the light. */
export const shadeWrongSide: Check = {
  id: 'shade-wrong-side',
  station: 'passes',
  severity: 'look',
  find: ({ plan }) =>
    shadowsAmiss(plan).map(({ shadow, of, offDeg }) => ({
      where: { area: shadow },
      number: { value: Math.round(offDeg), unit: '°', limit: OFF_DEG },
      why: `${nameOf(plan, shadow)} falls ${Math.round(offDeg)}° off the way the lamp throws the shadow of ${nameOf(plan, of)}.`,
    })),
};
