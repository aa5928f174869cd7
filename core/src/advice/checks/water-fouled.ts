import { jarsFor } from '../amounts';
import { mixOf, addPass, smallPlan } from '../../document/plan';
import { keyOf, type Check } from './check';
import { usedMixes } from './used-mixes';

/** Opposites rinsed in one jar grey everything that is mixed with its water. */
export const waterFouled: Check = {
  id: 'water-fouled',
  name: 'Opposites in one jar',
  station: 'passes',
  severity: 'note',
  when: 'opposites are rinsed in one jar',
  source: 'docs/colours.md',
  find: ({ plan }) => {
    const firstUse = new Map(usedMixes(plan).map(({ mix, pass }) => [mix.id, pass]));
    const { opposites, jars } = jarsFor(plan);
    const pair = opposites.at(0);
    const pass = pair && firstUse.get(pair.other);
    if (!pass) return [];
    return [
      {
        where: { pass: pass.id, area: pass.areas[0] },
        number: { value: opposites.length, unit: 'pairs', limit: 0 },
        why: `${mixOf(plan, pair.one).name} and ${mixOf(plan, pair.other).name} are opposites: rinse them in jars of their own, ${jars} in all, or the water greys every wash.`,
        // How many stand there is not the plan's to know; the painter says so once.
        fix: {
          says: `Set out ${jars} jars`,
          commands: [
            {
              do: 'accept-finding',
              finding: keyOf('water-fouled', { pass: pass.id, area: pass.areas[0] }),
              reason: `${jars} jars stand ready`,
            },
          ],
        },
      },
    ];
  },
  edges: () => [
    {
      wrong: smallPlan(addPass('sky', 'sky', 'blue'), addPass('field', 'field', 'lemon')),
      right: smallPlan(addPass('sky', 'sky', 'blue'), addPass('field', 'field', 'blue')),
    },
  ],
};
