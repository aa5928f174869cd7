import { LIFT, nameOf, planPaper, techniqueOf, wettedThrough } from '../../document/plan';
import type { Check } from './check';

/** More wet passes and lifting than the paper’s surface bears. Lifting rubs as much as two passes; ours. */
export const tooManyPasses: Check = {
  id: 'too-many-passes',
  station: 'passes',
  severity: 'look',
  find: ({ plan }) => {
    const bears = planPaper(plan).passes;
    return plan.areas.flatMap(({ id: area }) => {
      let wear = 0;
      for (const [index, act] of plan.acts.entries()) {
        if (act.kind !== 'pass' || techniqueOf(act.technique).wets === false) continue;
        if (wettedThrough(plan, area, index) === null) continue;
        wear += act.technique === LIFT ? 2 : 1;
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
};
