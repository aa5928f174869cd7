import { mediumOf } from '../../materials/pigment';
import { mixOf, nameOf, OPAQUE, addPass, smallPlan } from '../../document/plan';
import type { Check } from './check';
import { linesThrough } from './drawn-lines';
import { lineAt } from './edge-plans';

/** Lines meant to be seen that opaque paint covers. */
export const lineBuried: Check = {
  id: 'line-buried',
  name: 'Line under opaque paint',
  station: 'passes',
  severity: 'look',
  when: 'opaque paint covers a line in ink or a stamped one',
  source: 'what opaque means',
  find: ({ plan }) =>
    plan.acts.flatMap((act) => {
      if (act.kind !== 'pass' || act.mix === null) return [];
      const hides = act.technique === OPAQUE || mediumOf(mixOf(plan, act.mix).medium).id === 'opaque';
      if (!hides) return [];
      return act.areas.flatMap((area) => {
        const lines = linesThrough(plan, area, ['soluble-ink', 'waterproof-ink', 'stamped']);
        if (lines === 0) return [];
        return [
          {
            where: { area, pass: act.id },
            number: { value: lines, unit: 'lines', limit: 0 },
            why: `opaque paint on ${nameOf(plan, area)} buries ${lines} ${lines === 1 ? 'line' : 'lines'}: draw them again after it, or paint it first.`,
          },
        ];
      });
    }),
  edges: () => {
    const opaque = addPass('boat', 'boat', 'lemon', { technique: OPAQUE });
    return [
      { wrong: smallPlan(lineAt(70, 'stamped'), opaque), right: smallPlan(lineAt(20, 'stamped'), opaque) },
    ];
  },
};
