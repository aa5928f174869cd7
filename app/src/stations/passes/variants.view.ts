import { variantsOf, type Pass, type Plan, type Variant } from '@kettle/core/document/plan';
import { actInWords } from '../../ui/act-words';

/** A pass left out, in the list of what it may be laid in. */
export const LEFT_OUT = 'left out';

/** Copies painted otherwise, as they are written down. */
export interface VariantRow {
  readonly variant: Variant;
  readonly changes: readonly {
    readonly pass: string;
    readonly name: string;
    /** The mix it is laid in, or that it is left out. */
    readonly how: string;
  }[];
  /** Passes of which nothing is said yet. */
  readonly passes: readonly { readonly id: string; readonly name: string }[];
}

const passesOf = (plan: Plan): Pass[] => plan.acts.filter((act): act is Pass => act.kind === 'pass');

export const variantRows = (plan: Plan): VariantRow[] =>
  plan.variants.map((variant) => ({
    variant,
    changes: variant.changes.flatMap((change) => {
      const act = passesOf(plan).find(({ id }) => id === change.pass);
      if (!act) return [];
      return [
        {
          pass: act.id,
          name: actInWords(plan, act),
          how: change.do === 'leave-out' ? LEFT_OUT : `in ${change.mix}`,
        },
      ];
    }),
    passes: passesOf(plan)
      .filter(({ id }) => !variant.changes.some((change) => change.pass === id))
      .map((act) => ({ id: act.id, name: actInWords(plan, act) })),
  }));

/** How a pass may be painted otherwise: left out, or in another mix. */
export const waysOtherwise = (plan: Plan): { readonly id: string; readonly name: string }[] => [
  { id: LEFT_OUT, name: 'left out' },
  ...plan.mixes.map(({ id, name }) => ({ id: `in ${id}`, name: `in ${name}` })),
];

/** What a choice of those says of a pass. */
export const changeFor = (pass: string, how: string): Variant['changes'][number] =>
  how === LEFT_OUT ? { do: 'leave-out', pass } : { do: 'lay-in', pass, mix: how.slice('in '.length) };

/** “4 as planned, 2 “in rose””; nothing where all are alike. */
export const variantsInWords = (plan: Plan): string =>
  plan.variants.length === 0
    ? ''
    : variantsOf(plan)
        .map(({ copies, variant }) => `${copies} ${variant === null ? 'as planned' : `“${variant.name}”`}`)
        .join(', ');
