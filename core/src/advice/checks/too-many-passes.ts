import {
  nameOf,
  planPaper,
  techniqueOf,
  wettedThrough,
  addPass,
  smallPlan,
  type Plan,
} from '../../document/plan';
import type { Check } from './check';
import { washedSky } from './edge-plans';

/** More wet passes and lifting than the paper’s surface bears. Ours. */
export const tooManyPasses: Check = {
  id: 'too-many-passes',
  name: 'More passes than the paper bears',
  station: 'passes',
  severity: 'look',
  when: 'more passes, a lift counted twice, than the paper bears',
  source: 'sorts of paper (core/src/materials/paper)',
  find: ({ plan }) => {
    const bears = planPaper(plan).passes;
    return plan.areas.flatMap(({ id: area }) => {
      let wear = 0;
      for (const [index, act] of plan.acts.entries()) {
        if (act.kind !== 'pass') continue;
        if (wettedThrough(plan, area, index) === null) continue;
        wear += techniqueOf(act.technique).wear ?? 1;
        if (wear > bears)
          return [
            {
              where: { area, pass: act.id },
              number: { value: wear, unit: 'passes', limit: bears },
              why: `${nameOf(plan, area)} is gone over ${wear} times by then; this paper bears ${bears} before its surface gives.`,
            },
          ];
      }
      return [];
    });
  },
  edges: () => {
    const { passes } = planPaper(washedSky());
    return [{ wrong: washedTimes(passes + 1), right: washedTimes(passes) }];
  },
};

/** A sky washed so often. */
const washedTimes = (times: number): Plan =>
  smallPlan(...Array.from({ length: times }, (_, i) => addPass(`pass-${i}`, 'sky', 'blue')));
