import { nameOf, addPass, smallPlan } from '../../document/plan';
import { crossings } from '../whites';
import type { Check } from './check';
import { kept } from './edge-plans';

/** A white that is left bare is painted over by what crosses it. */
export const whiteCrossed: Check = {
  id: 'white-crossed',
  name: 'Bare white painted over',
  station: 'whites',
  severity: 'look',
  when: 'a pass crosses a white that is to stay bare',
  source: 'what bare means',
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
  edges: () => [
    {
      wrong: smallPlan(addPass('wash', 'sky', 'blue'), kept('boat', 'bare')),
      right: smallPlan(addPass('wash', 'field', 'blue'), kept('boat', 'bare')),
    },
  ],
};
