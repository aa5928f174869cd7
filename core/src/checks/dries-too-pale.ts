import { glazeLab } from '../pigment';
import { laidMix, mixOf, planPaper, techniqueOf, type Pass, type Plan, type PlannedMix } from '../plan';
import type { Check } from './check';

/** A dry colour this much lighter than wanted is seen at once, L*. Our default. */
const LIMIT_L = 5;

/** The strength is found to this share. */
const FINDS_TO = 1e-3;

/** Watercolour is darker wet than dry: a pass that leaves too little pigment for the colour wanted once it is dry. */
export const driesTooPale: Check = {
  id: 'dries-too-pale',
  severity: 'look',
  find: ({ plan }) =>
    plan.acts.flatMap((act) => {
      if (act.kind !== 'pass' || act.mix === null || techniqueOf(act.technique).start === 'wet') return [];
      const mix = mixOf(plan, act.mix);
      if (mix.wanted === null) return [];
      const tooLightL = dryLightness(plan, act, mix) - mix.wanted[0];
      if (tooLightL <= LIMIT_L) return [];
      const strength = strengthFor(plan, act, mix);
      return [
        {
          where: { pass: act.id, area: act.areas.at(0) },
          number: { value: Math.round(10 * tooLightL) / 10, unit: 'L*', limit: LIMIT_L },
          why: `${mix.name} dries ${tooLightL.toFixed(1)} L* lighter than wanted; wet it looks darker than it will be.`,
          ...(strength === null
            ? {}
            : {
                fix: {
                  says: `Mix ${mix.name} stronger, ${Math.round(100 * strength)} %`,
                  commands: [{ do: 'put-mix' as const, mix: { ...mix, strength }, pigments: [] }],
                },
              }),
        },
      ];
    }),
};

const dryLightness = (plan: Plan, { filmUm }: Pass, mix: PlannedMix): number =>
  glazeLab(planPaper(plan), [laidMix(plan, mix, filmUm)])[0];

/** The strength that dries as light as wanted; `null` where even paint from the tube is too pale. */
function strengthFor(plan: Plan, pass: Pass, mix: PlannedMix): number | null {
  const tooLight = (strength: number): boolean =>
    dryLightness(plan, pass, { ...mix, strength }) > mix.wanted![0];
  if (tooLight(1)) return null;
  let [low, high] = [mix.strength, 1];
  while (high - low > FINDS_TO) {
    const middle = (low + high) / 2;
    if (tooLight(middle)) low = middle;
    else high = middle;
  }
  return high;
}
