import { gapBetween } from '../../kit/geometry';
import { layersAt, maskedAfter, nameOf, outlineOf, addPass } from '../../document/plan';
import type { Check } from './check';
import { chore, twoSquares } from './edge-plans';

/** Drops from a tapped brush land so far beside where they are meant, mm. */
const REACH_MM = 60;

/** Spatter lands on what is not covered, not only where it is meant. */
export const splashReaches: Check = {
  id: 'splash-reaches',
  name: 'Spatter lands beside',
  station: 'passes',
  severity: 'look',
  when: `something painted that is not covered lies within ${REACH_MM} mm of a spatter`,
  source: 'ours',
  find: ({ plan }) =>
    plan.acts.flatMap((act, index) => {
      if (act.kind !== 'pass' || act.technique !== 'spatter') return [];
      return act.areas.flatMap((area) => {
        if (act.shields.some((shield) => shield.lies === 'round' && act.areas.includes(shield.area)))
          return [];
        const covered = new Set([
          ...act.shields.map((shield) => shield.area),
          ...maskedAfter(plan.acts, index),
        ]);
        const others = plan.areas
          .filter(({ id }) => !act.areas.includes(id) && !covered.has(id))
          // On what is painted later no drop is seen.
          .filter(({ id }) => layersAt(plan, id, index).length > 0)
          .map(({ id }) => ({ id, gapMm: gapBetween(outlineOf(plan, area), outlineOf(plan, id)) }))
          .sort((a, b) => a.gapMm - b.gapMm);
        const nearest = others.at(0);
        if (!nearest || nearest.gapMm >= REACH_MM) return [];
        return [
          {
            where: { area: nearest.id, pass: act.id },
            number: { value: Math.round(nearest.gapMm), unit: 'mm', limit: REACH_MM },
            why: `drops meant for ${nameOf(plan, area)} also land on ${nameOf(plan, nearest.id)}: cover all round it.`,
            fix: {
              says: `Cover all round ${nameOf(plan, area)}`,
              commands: [
                {
                  do: 'change-pass' as const,
                  pass: act.id,
                  change: {
                    shields: [...act.shields, { area, lies: 'round' as const, edge: 'torn' as const }],
                  },
                },
              ],
            },
          },
        ];
      });
    }),
  edges: () => {
    const washed = addPass('wash', 'right', 'lemon');
    const spattered = addPass('drops', 'left', 'blue', { technique: 'spatter' });
    const masked = chore('mask', 'mask-on', ['right']);
    return [
      { wrong: twoSquares(59, washed, spattered), right: twoSquares(61, washed, spattered) },
      { wrong: twoSquares(9, washed, spattered), right: twoSquares(9, spattered, washed) },
      { wrong: twoSquares(9, washed, spattered, masked), right: twoSquares(9, washed, masked, spattered) },
    ];
  },
};
