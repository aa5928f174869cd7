import { gapBetween } from '../../kit/geometry';
import { nameOf, outlineOf, addPass } from '../../document/plan';
import type { Check } from './check';
import { twoSquares } from './edge-plans';

/** Drops from a tapped brush land so far beside where they are meant, mm. */
const REACH_MM = 60;

/** Spatter lands on what is not covered, not only where it is meant. */
export const splashReaches: Check = {
  id: 'splash-reaches',
  name: 'Spatter lands beside',
  station: 'passes',
  severity: 'look',
  when: `what is not covered lies within ${REACH_MM} mm of a spatter`,
  source: 'ours',
  find: ({ plan }) =>
    plan.acts.flatMap((act) => {
      if (act.kind !== 'pass' || act.technique !== 'spatter') return [];
      return act.areas.flatMap((area) => {
        if (act.shields.some((shield) => shield.lies === 'round' && act.areas.includes(shield.area)))
          return [];
        const covered = new Set(act.shields.map((shield) => shield.area));
        const others = plan.areas
          .filter(({ id }) => !act.areas.includes(id) && !covered.has(id))
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
    const spattered = addPass('drops', 'left', 'blue', { technique: 'spatter' });
    return [{ wrong: twoSquares(59, spattered), right: twoSquares(61, spattered) }];
  },
};
