import { reckoningAmounts } from '../amounts';
import { mixOf, NEW_STUDIO, addPass, smallPlan, type Plan } from '../../document/plan';
import { inBreaths, type Check } from './check';
import { usedMixes } from './used-mixes';
import { mixFrom } from './edge-plans';

/** Less is mixed than all copies take: it cannot be matched in the middle of a wash. */
export const mixRunsShort: Check = {
  id: 'mix-runs-short',
  name: 'Too little mixed',
  station: 'passes',
  severity: 'look',
  when: 'less of a mix is mixed than all copies take',
  source: 'docs/colours.md',
  *find({ plan, desk }) {
    const firstUse = new Map(usedMixes(plan).map(({ mix, pass }) => [mix.id, pass]));
    const amounts = yield* inBreaths(reckoningAmounts(plan, desk?.dish ?? NEW_STUDIO.dish));
    for (const { mix: id, mixMl, shortMl, beforeWetting } of amounts) {
      const pass = firstUse.get(id);
      if (shortMl <= 0 || !pass) continue;
      const mix = mixOf(plan, id);
      yield {
        where: { pass: pass.id, area: pass.areas[0] },
        number: { value: round2(mix.mixedMl!), unit: 'ml', limit: round2(mixMl) },
        why: `${round2(mix.mixedMl!)} ml of ${mix.name} are mixed, and ${round2(mixMl)} ml are needed${beforeWetting ? '; it goes into the wet, so there is no time to mix more' : ''}.`,
        fix: {
          says: `Mix ${round2(mixMl)} ml of ${mix.name}`,
          commands: [{ do: 'put-mix', mix: { ...mix, mixedMl: mixMl }, pigments: [] }],
        },
      };
    }
  },
  edges: () => [{ wrong: washedWith(0.2), right: washedWith(9) }],
};

/** A sky washed with a mix of which there is so much. */
const washedWith = (mixedMl: number): Plan =>
  smallPlan(mixFrom('stirred', ['PB29'], { mixedMl }), addPass('wash', 'sky', 'stirred'));

const round2 = (value: number): number => Math.round(100 * value) / 100;
