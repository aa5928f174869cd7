import { glazeLab, REFERENCE_FILM_UM } from '../../materials/pigment';
import { asParts, colourAt, laidMix, nameOf, planPaper, type Part, type Plan } from '../../document/plan';

/** One thing or area, or one mix on bare paper, by its lightness when dry. */
export interface Rung {
  readonly kind: 'area' | 'mix';
  readonly id: string;
  readonly name: string;
  /** L* when all is painted, uncovered and dry. */
  readonly lightness: number;
}

/** Parts of a thing that differ by less stand on one rung, L*. */
const ALIKE_L = 1;

/** The rung of a thing or an area; one for each part of a thing where they differ. */
function rungsOf(plan: Plan, { id, name, members }: Part): Rung[] {
  const light = members.map((member) => colourAt(plan, member, plan.acts.length)[0]);
  if (Math.max(...light) - Math.min(...light) < ALIKE_L)
    return [{ ...{ kind: 'area', id, name }, lightness: light[0] }];
  return members.map((member, i) => ({
    ...{ kind: 'area', id: member, name: nameOf(plan, member) },
    lightness: light[i],
  }));
}

/** Things, areas and mixes from the lightest to the darkest. */
export const valueLadder = (plan: Plan): Rung[] =>
  [
    ...asParts(
      plan,
      plan.areas.map(({ id }) => id),
    ).flatMap((part) => rungsOf(plan, part)),
    ...plan.mixes.map((mix): Rung => ({
      ...{ kind: 'mix', id: mix.id, name: mix.name },
      lightness: glazeLab(planPaper(plan), [laidMix(plan, mix, REFERENCE_FILM_UM)])[0],
    })),
  ].sort((a, b) => b.lightness - a.lightness);
