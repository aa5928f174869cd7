import * as z from 'zod';
import { lengthMm } from '../units';
import { envelopeSchema } from './envelope';

/** How a card is folded and its panel edged, and the allowances between envelope and painting. mm. */
export const cardFormatSchema = z.strictObject({
  envelope: envelopeSchema,
  fold: z.enum(['side', 'top', 'flat']),
  border: z.enum(['taped', 'bleed', 'bare']),
  /** Air between card and envelope on each side. */
  clearanceMm: lengthMm.default(3),
  /** Finished thickness, which an envelope has to go round. */
  bulkMm: lengthMm.default(0),
  /** Base showing round a mounted panel; 0 = the card itself is painted. */
  panelRevealMm: lengthMm.default(0),
  tapeMm: lengthMm.default(4),
  bleedMm: lengthMm.default(3),
});
export type CardFormat = z.infer<typeof cardFormatSchema>;

export interface Size {
  readonly widthMm: number;
  readonly heightMm: number;
}

export interface CardSizes {
  /** The card as it lies closed. */
  readonly card: Size;
  /** The opened sheet. */
  readonly flat: Size;
  readonly scores: readonly { readonly axis: 'x' | 'y'; readonly atMm: number }[];
  /** What of the painting is seen. */
  readonly panel: Size;
  /** The sheet to be painted: with the rim under the tape, or with the bleed to be cut away. */
  readonly paint: Size;
  readonly clearance: { readonly perSideMm: number; readonly inAllMm: number };
  readonly fits: boolean;
  readonly warning?: string;
}

/** Clearance a side under which a card does not go in, and under which it goes in grudgingly, mm. Our defaults. */
const TOO_TIGHT_MM = 1.5;
const TIGHT_MM = 2.5;

/**
 * From the envelope inward: card = envelope − 2·clearance − bulk in both directions, then the opened
 * sheet, its score, the visible panel and the sheet to be painted.
 */
export function cardSizes(format: CardFormat): CardSizes {
  const { envelope, fold, border, clearanceMm, bulkMm, panelRevealMm, tapeMm, bleedMm } = format;
  const card = shrink(envelope, clearanceMm + bulkMm / 2);
  const flat = {
    widthMm: fold === 'side' ? 2 * card.widthMm : card.widthMm,
    heightMm: fold === 'top' ? 2 * card.heightMm : card.heightMm,
  };
  const panel = shrink(card, panelRevealMm + (border === 'taped' ? tapeMm : 0));
  const rim = border === 'taped' ? tapeMm : border === 'bleed' ? bleedMm : 0;
  const nothingLeft = panel.widthMm === 0 || panel.heightMm === 0;
  const warning = warn(nothingLeft, clearanceMm);
  return {
    card,
    flat,
    scores:
      fold === 'flat'
        ? []
        : [fold === 'side' ? { axis: 'x', atMm: card.widthMm } : { axis: 'y', atMm: card.heightMm }],
    panel,
    paint: nothingLeft ? panel : shrink(panel, -rim),
    clearance: { perSideMm: clearanceMm, inAllMm: 2 * clearanceMm },
    fits: !nothingLeft && clearanceMm >= TOO_TIGHT_MM,
    ...(warning ? { warning } : {}),
  };
}

function warn(nothingLeft: boolean, clearanceMm: number): string | undefined {
  const both = `${clearanceMm} mm a side, ${2 * clearanceMm} mm in all`;
  if (nothingLeft) return 'nothing is left of the panel: take a larger envelope or smaller allowances';
  if (clearanceMm < TOO_TIGHT_MM) return `too tight: ${both}; it needs at least ${TOO_TIGHT_MM} mm a side`;
  if (clearanceMm < TIGHT_MM) return `tight: ${both}; ${TIGHT_MM} mm a side goes in easily`;
  return undefined;
}

/** A size less `rim` on every side, never below nothing. */
function shrink({ widthMm, heightMm }: Size, rim: number): Size {
  return { widthMm: Math.max(0, round(widthMm - 2 * rim)), heightMm: Math.max(0, round(heightMm - 2 * rim)) };
}

/** Sums of decimal millimetres carry binary dust; a nanometre is far below any knife. */
const round = (mm: number): number => Math.round(mm * 1e6) / 1e6;
