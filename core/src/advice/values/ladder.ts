import { glazeLab, REFERENCE_FILM_UM } from '../../materials/pigment';
import { colourAt, laidMix, planPaper, type Plan } from '../../document/plan';

/** One area, or one mix on bare paper, by its lightness when dry. */
export interface Rung {
  readonly kind: 'area' | 'mix';
  readonly id: string;
  readonly name: string;
  /** L* when all is painted, uncovered and dry. */
  readonly lightness: number;
}

/** Areas and mixes from the lightest to the darkest. */
export const valueLadder = (plan: Plan): Rung[] =>
  [
    ...plan.areas.map(({ id, name }): Rung => ({
      ...{ kind: 'area', id, name },
      lightness: colourAt(plan, id, plan.acts.length)[0],
    })),
    ...plan.mixes.map((mix): Rung => ({
      ...{ kind: 'mix', id: mix.id, name: mix.name },
      lightness: glazeLab(planPaper(plan), [laidMix(plan, mix, REFERENCE_FILM_UM)])[0],
    })),
  ].sort((a, b) => b.lightness - a.lightness);
