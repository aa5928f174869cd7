import { cardsBegun, MOST_COPIES } from '../../commission/occasion';
import { changeIn, without } from './entries';
import type { Plan } from './plan';
import { otherwise, type Variant } from './variant';

/** Cards of one kind: how many, and the plan they are painted by. */
export interface PaintedVariant {
  /** How they are painted otherwise; `null` for those painted as planned. */
  readonly variant: Variant | null;
  readonly copies: number;
  readonly plan: Plan;
}

/** All copies of a card by their kind, those painted as planned first; none of them where all are painted otherwise. */
export function variantsOf(plan: Plan): PaintedVariant[] {
  const asPlanned = cardsBegun(plan.brief) - otherwise(plan.variants);
  const own: PaintedVariant = { variant: null, copies: asPlanned, plan };
  return [
    ...(asPlanned > 0 ? [own] : []),
    ...plan.variants.map((variant): PaintedVariant => ({
      ...{ variant, copies: variant.copies },
      plan: variantPlan(plan, variant),
    })),
  ];
}

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
  // Every stroke is a command: acts and mixes are gone through only where something is said of them.
  if (plan.variants.length === 0) return;
  const passes = new Set(plan.acts.map(({ id }) => id));
  const mixes = new Set(plan.mixes.map(({ id }) => id));
  let left = cardsBegun(plan.brief);
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
function variantPlan(plan: Plan, { changes }: Variant): Plan {
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
