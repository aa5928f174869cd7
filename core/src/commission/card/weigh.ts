import type { CardFormat, CardSizes, Size } from './size';
import { isMounted, layersOf } from './pieces';
import type { Sheets } from './stock';

/** What the post asks: the most a letter may weigh and be thick. The painter's own numbers. */
export interface PostLimits {
  readonly weightG: number;
  readonly thicknessMm: number;
}

/** A finished card in its envelope. */
export interface Parcel {
  readonly weightG: number;
  readonly thicknessMm: number;
  /** What is over the limits, in words; `null` when it may go as a letter. */
  readonly over: string | null;
}

/** Paper of an envelope, g/m² and mm, and its area over that of its two faces for flaps and seams. Our defaults. */
const ENVELOPE_GM2 = 100;
const ENVELOPE_MM = 0.12;
const ENVELOPE_FLAPS = 1.25;

/**
 * Weight and thickness of a card in its envelope. `painted` is the paper that is painted on. Decorations count by
 * their thickness only: they are too different to guess a weight.
 */
export function weighCard(
  format: CardFormat,
  sizes: CardSizes,
  painted: { readonly weightGm2: number; readonly thicknessMm: number },
  { base, liner }: Pick<Sheets, 'base' | 'liner'>,
  limits: PostLimits,
): Parcel {
  const mounted = isMounted(format);
  const ofBase = mounted ? base : painted;
  const grams =
    areaM2(sizes.flat) * ofBase.weightGm2 +
    (mounted ? areaM2(sizes.panel) * painted.weightGm2 : 0) +
    // A mat weighs about as its thickness does in card stock.
    format.mats.reduce(
      (sum, { thicknessMm }, i) =>
        sum + (areaM2(sizes.mats[i]) * thicknessMm * base.weightGm2) / base.thicknessMm,
      0,
    ) +
    (format.linerMm > 0 ? areaM2(sizes.flat) * liner.weightGm2 : 0) +
    2 * ENVELOPE_FLAPS * areaM2(format.envelope) * ENVELOPE_GM2;
  const thicknessMm = layersOf(format.fold) * ofBase.thicknessMm + sizes.bulkMm + 2 * ENVELOPE_MM;
  const over = [
    ...(grams > limits.weightG ? [`${(grams - limits.weightG).toFixed(0)} g too heavy`] : []),
    ...(thicknessMm > limits.thicknessMm
      ? [`${(thicknessMm - limits.thicknessMm).toFixed(1)} mm too thick`]
      : []),
  ];
  return { weightG: grams, thicknessMm, over: over.length > 0 ? over.join(' and ') : null };
}

const areaM2 = ({ widthMm, heightMm }: Size): number => (widthMm * heightMm) / 1e6;
