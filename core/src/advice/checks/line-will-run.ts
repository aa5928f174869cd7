import { nameOf, techniqueOf } from '../../document/plan';
import type { Check } from './check';
import { linesThrough } from './drawn-lines';

/** Ink that dissolves runs as soon as it is wetted. */
export const lineWillRun: Check = {
  id: 'line-will-run',
  station: 'passes',
  severity: 'look',
  find: ({ plan }) =>
    plan.acts.flatMap((act) => {
      if (act.kind !== 'pass' || techniqueOf(act.technique).wets === false) return [];
      return act.areas.flatMap((area) => {
        const lines = linesThrough(plan, area, ['soluble-ink']);
        if (lines === 0) return [];
        return [
          {
            where: { area, pass: act.id },
            number: { value: lines, unit: 'lines', limit: 0 },
            why: `${lines} ${lines === 1 ? 'line' : 'lines'} in soluble ink on ${nameOf(plan, area)} will run. Draw them last, or in waterproof ink.`,
          },
        ];
      });
    }),
};
