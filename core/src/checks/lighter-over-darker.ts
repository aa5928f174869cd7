import { glazeLab } from '../pigment';
import { areaOf, colourAt, laidMix, layersAt, mixOf, planPaper, techniqueOf } from '../plan';
import type { Check } from './check';

/** A dry colour this much darker than wanted is seen at once, L*. Our default. */
const LIMIT_L = 5;

/**
 * Transparent paint cannot lighten: the predicted dry colour of a pass over what lies under is darker
 * than the colour wanted. Where none is named, wanted is the mix as it looks on bare paper; a glaze, or a
 * colour put into a wet one, is meant to be changed by its ground and is then let be.
 */
export const lighterOverDarker: Check = {
  id: 'lighter-over-darker',
  severity: 'look',
  find: ({ plan, timeline }) =>
    timeline.steps.flatMap(({ act }, index) => {
      if (act.kind !== 'pass' || act.mix === null) return [];
      const mix = mixOf(plan, act.mix);
      if (mix.wanted === null && changedByGround(act.technique)) return [];
      const wantedL = (mix.wanted ?? glazeLab(planPaper(plan), [laidMix(plan, mix, act.filmUm)]))[0];
      return act.areas.flatMap((area) => {
        const covered = layersAt(plan, area, index).length > 0;
        const paints = layersAt(plan, area, index + 1).length > layersAt(plan, area, index).length;
        if (!covered || !paints) return [];
        const reachedL = colourAt(plan, area, index + 1)[0];
        if (wantedL - reachedL <= LIMIT_L) return [];
        return [
          {
            where: { area, pass: act.id },
            number: { value: round1(wantedL - reachedL), unit: 'L*', limit: LIMIT_L },
            why: `${mix.name} is wanted at L* ${Math.round(wantedL)}, over what lies on ${areaOf(plan, area).name} it dries at ${Math.round(reachedL)}: transparent paint cannot lighten. Keep a white there, lift, or use an opaque.`,
          },
        ];
      });
    }),
};

const changedByGround = (technique: string): boolean =>
  technique === 'glaze' || techniqueOf(technique).start === 'wet';

const round1 = (value: number): number => Math.round(value * 10) / 10;
