import { nameOf, techniqueOf, addPass, smallPlan, type Plan } from '../../document/plan';
import type { Check } from './check';
import { linesThrough } from './drawn-lines';
import { lineAt } from './edge-plans';

/** Ink that dissolves runs as soon as it is wetted. */
export const lineWillRun: Check = {
  id: 'line-will-run',
  name: 'Ink that runs',
  station: 'passes',
  severity: 'look',
  when: 'a line in soluble ink is wetted',
  source: 'what soluble means',
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
  edges: () => [
    { wrong: inkedBoat(59.55), right: inkedBoat(59.45) },
    { wrong: inkedBoat(70), right: inkedBoat(70, 'pencil') },
  ],
};

/** The boat, which begins at 60 mm, painted over an upright line so far from the left. */
const inkedBoat = (x: number, kind: 'soluble-ink' | 'pencil' = 'soluble-ink'): Plan =>
  smallPlan(lineAt(x, kind), addPass('boat', 'boat', 'blue'));
