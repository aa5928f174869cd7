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

/** Cards that are painted in all: what is wanted and what may be spoilt, or as many as are painted otherwise. */
export const copiesOf = ({ brief, variants }: Pick<Plan, 'brief' | 'variants'>): number =>
  Math.max(brief.copies + brief.spares, otherwise(variants));

const otherwise = (variants: readonly Variant[]): number =>
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

/** What some copies were to have otherwise goes with the pass or the mix it was said of. Changes a draft. */
export function keepChanges({ variants, acts, mixes }: Plan): void {
  for (const variant of variants) {
    const kept = variant.changes.filter(
      (change) =>
        acts.some(({ id }) => id === change.pass) &&
        (change.do === 'leave-out' || mixes.some(({ id }) => id === change.mix)),
    );
    if (kept.length < variant.changes.length) variant.changes = kept;
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
