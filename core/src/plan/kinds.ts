import { changeIn, without } from './entries';
import type { Plan } from './plan';
import type { Variant } from './variant';

/** Cards of one kind: how many, and the plan they are painted by. */
export interface Kind {
  /** Of the variant; `null` for those painted as planned. */
  readonly variant: string | null;
  readonly name: string;
  readonly copies: number;
  readonly plan: Plan;
}

/** Cards that are painted in all: what is wanted, and what may be spoilt. */
export const copiesOf = ({ brief }: Pick<Plan, 'brief'>): number => brief.copies + brief.spares;

/** How many copies are painted otherwise than planned. */
export const otherwise = (variants: readonly Variant[]): number =>
  variants.reduce((sum, { copies }) => sum + copies, 0);

/** All copies of a card by their kind, those painted as planned first; none of them where all are painted otherwise. */
export function kindsOf(plan: Plan): Kind[] {
  const asPlanned = copiesOf(plan) - otherwise(plan.variants);
  const own: Kind = { variant: null, name: 'as planned', copies: asPlanned, plan };
  return [
    ...(asPlanned > 0 ? [own] : []),
    ...plan.variants.map((variant): Kind => ({
      ...{ variant: variant.id, name: variant.name, copies: variant.copies },
      plan: variantPlan(plan, variant),
    })),
  ];
}

/** More copies no card has. */
const MOST_COPIES = 500;

/** Copies painted otherwise are among those there are: there are more of them if need be. Changes a draft. */
export function makeRoom({ brief, variants }: Plan): void {
  const wanted = otherwise(variants) - brief.spares;
  if (wanted > brief.copies) brief.copies = Math.min(MOST_COPIES, wanted);
}

/**
 * What some copies were to have otherwise goes with the pass or the mix it was said of, and no more are painted otherwise than
 * there are. Changes a draft.
 */
export function keepVariants(plan: Plan): void {
  const passes = new Set(plan.acts.map(({ id }) => id));
  const mixes = new Set(plan.mixes.map(({ id }) => id));
  let left = copiesOf(plan);
  for (const { id, copies, changes } of [...plan.variants]) {
    const among = Math.min(copies, left);
    left -= among;
    const kept = changes.filter(
      (change) => passes.has(change.pass) && (change.do === 'leave-out' || mixes.has(change.mix)),
    );
    if (among === 0) plan.variants = without(plan.variants, id);
    else if (among < copies || kept.length < changes.length)
      changeIn(plan.variants, id, { copies: among, changes: kept });
  }
}

/** The plan of a card as some copies are painted. */
export function variantPlan(plan: Plan, { changes }: Variant): Plan {
  const changeOf = new Map(changes.map((change) => [change.pass, change]));
  return {
    ...plan,
    acts: plan.acts.flatMap((act) => {
      const change = changeOf.get(act.id);
      if (act.kind !== 'pass' || !change) return [act];
      return change.do === 'leave-out' ? [] : [{ ...act, mix: change.mix, also: [] }];
    }),
  };
}
