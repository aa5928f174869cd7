import { nameOf } from '../../document/plan';
import { crossings } from '../whites';
import type { Check } from './check';

/** A white that is left bare is painted over by what crosses it. */
export const whiteCrossed: Check = {
  id: 'white-crossed',
  station: 'whites',
  severity: 'look',
  find: ({ plan }) =>
    plan.whites.flatMap((white) => {
      const crossing = white.way === 'bare' ? crossings(plan, white.area) : [];
      if (crossing.length === 0) return [];
      const [name, [pass]] = [nameOf(plan, white.area), crossing];
      return [
        {
          where: { area: white.area, pass: pass.id },
          number: { value: crossing.length, unit: 'passes', limit: 0 },
          why: `${name} is to stay bare, and ${crossing.length === 1 ? 'a pass crosses' : `${crossing.length} passes cross`} it.`,
          fix: {
            says: `Paint round ${name}`,
            commands: [{ do: 'keep-white' as const, white: { ...white, way: 'paint-round' as const } }],
          },
        },
      ];
    }),
};
