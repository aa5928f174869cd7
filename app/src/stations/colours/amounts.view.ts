import type { Jars, MixAmount } from '@kettle/core/advice/amounts';
import { mixOf, type Plan, type Studio } from '@kettle/core/document/plan';

/** One mix of the batch, in words. */
export interface AmountRow {
  readonly mix: string;
  readonly name: string;
  /** It goes into the wet, and must stand ready before. */
  readonly first: boolean;
  readonly mixes: string;
  readonly uses: string;
  readonly mixedMl: number | null;
  readonly stop: string;
}

/** Millilitres as they are measured: drops below one, tenths above. */
export const mlInWords = (ml: number): string => (ml < 1 ? `${ml.toFixed(2)} ml` : `${ml.toFixed(1)} ml`);

/** The mixes of the batch with how they are mixed, those that must stand ready first. */
export const amountRows = (plan: Plan, amounts: readonly MixAmount[], dish: Studio['dish']): AmountRow[] => {
  const wells = amounts.reduce((sum, amount) => sum + amount.wells, 0);
  return [...amounts]
    .sort((a, b) => Number(b.beforeWetting) - Number(a.beforeWetting))
    .map((amount) => {
      const mix = mixOf(plan, amount.mix);
      const paint = amount.paint.map(({ pigment, ml }) => `${mlInWords(ml)} ${nameIn(plan, pigment)}`);
      const short =
        amount.shortMl > 0.005
          ? `${mlInWords(amount.shortMl)} short: it would run out in mid-wash. Mix ${mlInWords(amount.mixMl)}.`
          : '';
      const many =
        amount.wells > 1
          ? `It fills ${amount.wells} wells of ${mlInWords(dish.wellMl)}${wells > dish.wells ? `, and the dish has ${dish.wells} in all: take a larger bowl` : ''}.`
          : '';
      return {
        ...{ mix: amount.mix, name: mix.name, first: amount.beforeWetting, mixedMl: mix.mixedMl },
        mixes: `Mix ${mlInWords(amount.mixMl)}: ${[...paint, `${mlInWords(amount.waterMl)} water`].join(', ')}.`,
        uses: `${mlInWords(amount.usedMl)} on the paper, ${mlInWords(amount.lostMl)} lost in wells and brushes; ${loadsInWords(amount.brushLoads)}. ${many}`,
        stop: short,
      };
    });
};

const loadsInWords = (loads: number): string =>
  loads < 1.5 ? 'one brush-load' : `about ${Math.round(loads)} brush-loads`;

const nameIn = (plan: Plan, code: string): string =>
  plan.embedded.pigments.find((pigment) => pigment.code === code)!.name;

/** How many jars of water, and why. */
export const jarsInWords = (plan: Plan, { jars, opposites }: Jars): string =>
  opposites.length === 0
    ? `${jars === 2 ? 'Two' : jars} jars of water: one to rinse in, one that stays clean.`
    : `Three jars of water: ${opposites.map(({ one, other }) => `${mixOf(plan, one).name} and ${mixOf(plan, other).name}`).join('; ')} are opposites and grey all that is mixed with their rinse.`;
