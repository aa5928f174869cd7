import { flakeCoverage, MASSTONE_COVERS, mediumOf, REFERENCE_FILM_UM } from '../../materials/pigment';
import { mixOf, nameOf, addPass, smallPlan, type Plan } from '../../document/plan';
import type { Check } from './check';
import { mixFrom } from './edge-plans';

/** Less than this share covered, and it only glitters, %. Ours. */
const LIMIT = 80;

/** Metallic paint so thin that its flakes do not close over what is under them. */
export const metalTooThin: Check = {
  id: 'metal-too-thin',
  name: 'Metal too thin',
  station: 'passes',
  severity: 'look',
  when: `flakes close over less than ${LIMIT} %`,
  source: 'ours',
  find: ({ plan }) =>
    plan.acts.flatMap((act) => {
      if (act.kind !== 'pass' || act.mix === null || act.areas.length === 0) return [];
      const mix = mixOf(plan, act.mix);
      if (mix.medium !== 'metallic') return [];
      const depth =
        (MASSTONE_COVERS * mix.strength * act.filmUm * mediumOf(mix.medium).body) / REFERENCE_FILM_UM;
      const percent = Math.floor(100 * flakeCoverage(depth));
      if (percent >= LIMIT) return [];
      const enough = -Math.log(1 - LIMIT / 100);
      const strength = Math.min(1, Math.ceil((100 * mix.strength * enough) / depth) / 100);
      return [
        {
          where: { area: act.areas[0], pass: act.id },
          number: { value: percent, unit: '%', limit: LIMIT },
          why: `${mix.name} on ${nameOf(plan, act.areas[0])} closes over ${percent} % only: it will glitter, not shine.`,
          ...(strength * depth >= enough * mix.strength
            ? {
                fix: {
                  says: `Mix ${mix.name} thicker, ${Math.round(100 * strength)} %`,
                  commands: [{ do: 'put-mix' as const, mix: { ...mix, strength }, pigments: [] }],
                },
              }
            : {}),
        },
      ];
    }),
  edges: () => [{ wrong: gilded(71), right: gilded(72) }],
};

/** A boat in gold, so much of it laid. */
const gilded = (filmUm: number): Plan =>
  smallPlan(
    mixFrom('gold', ['PB29'], { strength: 0.5, medium: 'metallic' }),
    addPass('boat', 'boat', 'gold', { filmUm }),
  );
