import { MUTED_BELOW, muddinessOf } from '../../materials/pigment';
import {
  laidMix,
  planPaper,
  type Pass,
  type Plan,
  type PlannedMix,
  addPass,
  smallPlan,
} from '../../document/plan';
import type { Check, Found } from './check';
import { usedMixes } from './used-mixes';
import { mixFrom, washedSky } from './edge-plans';

/** A mix whose pigments take each other’s colour and light, where no grey was wanted. */
export const mud: Check = {
  id: 'mud',
  name: 'Mud',
  station: 'passes',
  severity: 'look',
  when: `a mix loses over ${Math.round(100 * MUTED_BELOW)} % of what its pigments have alone, and no grey is wanted`,
  source: 'docs/pigment-model.md',
  find: ({ plan }) =>
    usedMixes(plan).flatMap(({ mix, pass }) => {
      const { verdict, muddiness } = mudOf(plan, mix, pass);
      if (verdict !== 'mud') return [];
      return [
        {
          where: { pass: pass.id, area: pass.areas.at(0) },
          number: { value: Math.round(100 * muddiness) / 100, unit: 'of 1', limit: MUTED_BELOW },
          why: `${mix.name} loses most of the colour its pigments have alone: mud. Take one pigment out, or two that lie nearer.`,
          ...without(plan, mix, pass),
        },
      ];
    }),
  edges: () => [
    {
      wrong: smallPlan(
        mixFrom('sludge', ['PO48', 'PG7', 'PV19-rose'], { strength: 0.4 }),
        addPass('wash', 'sky', 'sludge'),
      ),
      right: washedSky(),
    },
  ],
};

const mudOf = (plan: Plan, mix: PlannedMix, { filmUm }: Pass) =>
  muddinessOf(laidMix(plan, mix, filmUm), planPaper(plan), mix.wanted);

/** The pigment without which the mix keeps most of its colour, taken out. */
function without(plan: Plan, mix: PlannedMix, pass: Pass): Pick<Found, 'fix'> {
  if (mix.parts.length < 2) return {};
  const clearest = mix.parts
    .map(({ pigment }) => {
      const fewer = { ...mix, parts: mix.parts.filter((part) => part.pigment !== pigment) };
      return { pigment, fewer, ...mudOf(plan, fewer, pass) };
    })
    .filter(({ verdict }) => verdict !== 'mud')
    .sort((one, other) => one.muddiness - other.muddiness)
    .at(0);
  if (!clearest) return {};
  return {
    fix: {
      says: `Leave ${clearest.pigment} out of ${mix.name}`,
      commands: [{ do: 'put-mix', mix: clearest.fewer, pigments: [] }],
    },
  };
}
