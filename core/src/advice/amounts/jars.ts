import { chromaOf, hueApart } from '../../kit/colour';
import { glazeLab, GREY_CHROMA, NEAR_COMPLEMENTS, REFERENCE_FILM_UM } from '../../materials/pigment';
import { laidMix, mixesOf, planPaper, type Plan } from '../../document/plan';

/** Jars of water a card asks for, and which of its mixes would foul one another’s rinse. */
export interface Jars {
  readonly jars: number;
  readonly opposites: readonly { readonly one: string; readonly other: string }[];
}

/** One jar to rinse in and one that stays clean; opposites that are rinsed in one jar grey all that is mixed with it. */
export function jarsFor(plan: Plan): Jars {
  const used = plan.mixes.filter(({ id }) =>
    plan.acts.some((act) => act.kind === 'pass' && mixesOf(act).includes(id)),
  );
  const coloured = used
    .map((mix) => ({ mix, lab: glazeLab(planPaper(plan), [laidMix(plan, mix, REFERENCE_FILM_UM)]) }))
    .filter(({ lab }) => chromaOf(lab) >= GREY_CHROMA);
  const opposites = coloured.flatMap((one, i) =>
    coloured
      .slice(i + 1)
      .filter((other) => hueApart(one.lab, other.lab) >= NEAR_COMPLEMENTS)
      .map((other) => ({ one: one.mix.id, other: other.mix.id })),
  );
  return { jars: opposites.length > 0 ? 3 : 2, opposites };
}
