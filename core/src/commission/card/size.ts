import * as z from 'zod';
import { lengthMm, sizeMm } from '../../kit/units';
import { envelopeSchema, envelopesFor, type NamedEnvelope } from './envelope';
import { bulkOf, insideMm, piecesShape } from './pieces';

/** How a card is folded and its panel edged, and the allowances between envelope and painting. mm. */
export const cardFormatSchema = z.strictObject({
  envelope: envelopeSchema,
  fold: z.enum(['side', 'top', 'flat']),
  border: z.enum(['taped', 'bleed', 'bare']),
  /** How the finished card is looked at: its longer edge lying or upright. */
  stands: z.enum(['lying', 'upright']).default('lying'),
  /** A card of a size that is given; without it, it is as large as the envelope allows. */
  card: z.strictObject({ widthMm: sizeMm, heightMm: sizeMm }).nullable().default(null),
  /** Air between card and envelope on each side. */
  clearanceMm: lengthMm.default(3),
  tapeMm: lengthMm.default(4),
  bleedMm: lengthMm.default(3),
  /** How the panel is parted from the rest of its sheet; a torn or deckled edge wants paper to hold it by. */
  edge: z.enum(['cut', 'rounded', 'deckled', 'torn']).default('cut'),
  ...piecesShape,
});
export type CardFormat = z.infer<typeof cardFormatSchema>;
export type Fold = CardFormat['fold'];

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
  /** The lowest, largest first. */
  readonly mats: readonly Size[];
  /** What of the painting is seen. */
  readonly panel: Size;
  /** The sheet to be painted: with the rim under the tape, or what is cut or torn away. */
  readonly paint: Size;
  readonly clearance: { readonly perSideMm: number; readonly inAllMm: number };
  /** Thickness over the plain base that the envelope goes round. */
  readonly bulkMm: number;
  readonly fits: boolean;
  readonly warning?: string;
  /** An envelope that would take the card, where this one does not. */
  readonly instead?: NamedEnvelope;
}

/** Clearance a side under which a card does not go in, and under which it goes in grudgingly, mm. Our defaults. */
export const TOO_TIGHT_MM = 1.5;
const TIGHT_MM = 2.5;

/** Thickness within a fold from which it is scored twice, to make a spine, mm. Ours. */
const SPINE_FROM_MM = 0.8;

/** Paper to hold a sheet by while an edge is torn along a ruler, mm. Ours. */
const TEARING_MM = 8;

/**
 * From the envelope inward: card = envelope − 2·clearance − bulk in both directions, then the opened
 * sheet, its scores, the mats, the visible panel and the sheet to be painted. A card of a given size takes the air that
 * is left. `panelMm` is the thickness of the sheet a mounted panel is painted on.
 */
export function cardSizes(format: CardFormat, panelMm = 0): CardSizes {
  const { fold, border, panelRevealMm, tapeMm } = format;
  const bulkMm = round(bulkOf(format, fold, panelMm));
  const envelope =
    format.stands === 'lying'
      ? format.envelope
      : { widthMm: format.envelope.heightMm, heightMm: format.envelope.widthMm };
  const card = format.card ?? shrink(envelope, format.clearanceMm + bulkMm / 2);
  const perSideMm = format.card ? airRound(format.card, envelope, bulkMm) : format.clearanceMm;

  const spine = insideMm(format, fold) >= SPINE_FROM_MM ? insideMm(format, fold) : 0;
  const mats: Size[] = [];
  let inner = shrink(card, panelRevealMm);
  for (const { showsMm } of format.mats) {
    mats.push(inner);
    inner = shrink(inner, showsMm);
  }
  const panel = shrink(inner, border === 'taped' ? tapeMm : 0);
  const nothingLeft = panel.widthMm === 0 || panel.heightMm === 0;
  const fits = !nothingLeft && perSideMm >= TOO_TIGHT_MM;
  const found = { card, perSideMm, bulkMm, nothingLeft };
  const instead = fits ? null : envelopeInstead(format, found);
  const warning = warn(format, found, instead);
  return {
    card,
    flat: {
      widthMm: fold === 'side' ? round(2 * card.widthMm + spine) : card.widthMm,
      heightMm: fold === 'top' ? round(2 * card.heightMm + spine) : card.heightMm,
    },
    scores: scoresOf(fold, card, spine),
    mats,
    panel,
    paint: nothingLeft ? panel : shrink(panel, -rimOf(format)),
    clearance: { perSideMm, inAllMm: 2 * perSideMm },
    bulkMm,
    fits,
    ...(warning ? { warning } : {}),
    ...(instead ? { instead } : {}),
  };
}

/** What of its sheet is painted or held beyond the visible panel, on each side, mm. */
function rimOf({ border, tapeMm, bleedMm, edge }: CardFormat): number {
  const rim = border === 'taped' ? tapeMm : border === 'bleed' ? bleedMm : 0;
  return edge === 'torn' || edge === 'deckled' ? Math.max(rim, TEARING_MM) : rim;
}

/** Air a side that a given card has in an envelope, on the tighter pair of sides, mm; negative when it is too large. */
const airRound = (card: Size, envelope: Size, bulkMm: number): number =>
  round(Math.min(envelope.widthMm - card.widthMm, envelope.heightMm - card.heightMm) / 2 - bulkMm / 2);

function scoresOf(fold: Fold, card: Size, spine: number): CardSizes['scores'] {
  if (fold === 'flat') return [];
  const first =
    fold === 'side'
      ? ({ axis: 'x', atMm: card.widthMm } as const)
      : ({ axis: 'y', atMm: card.heightMm } as const);
  return spine === 0 ? [first] : [first, { ...first, atMm: round(first.atMm + spine) }];
}

interface Found {
  readonly card: Size;
  readonly perSideMm: number;
  readonly bulkMm: number;
  readonly nothingLeft: boolean;
}

/** The smallest envelope of the table that would take the card, where this one does not; `null` when none would. */
function envelopeInstead(format: CardFormat, { card, bulkMm, nothingLeft }: Found): NamedEnvelope | null {
  const found =
    nothingLeft && !format.card
      ? envelopesFor(leastCard(format), format.clearanceMm, bulkMm)
      : envelopesFor(card, TIGHT_MM, bulkMm);
  return found.at(0) ?? null;
}

function warn(format: CardFormat, found: Found, instead: NamedEnvelope | null): string | undefined {
  const { perSideMm, bulkMm, nothingLeft } = found;
  const both = `${perSideMm} mm a side, ${round(2 * perSideMm)} mm in all`;
  const wouldDo = instead
    ? `${instead.name}, ${round(instead.widthMm)} × ${round(instead.heightMm)} mm, would do`
    : 'no envelope of the table would do: measure one of your own, or a box';
  if (format.card && perSideMm < TOO_TIGHT_MM) {
    const over = round(2 * (TOO_TIGHT_MM - perSideMm));
    return `${bulkMm > 0 ? 'too large and thick' : 'too large'} for this envelope by ${over} mm; ${wouldDo}`;
  }
  if (nothingLeft) return `nothing is left of the panel; ${wouldDo}, or smaller allowances`;
  if (perSideMm < TOO_TIGHT_MM) return `too tight: ${both}; it needs at least ${TOO_TIGHT_MM} mm a side`;
  if (perSideMm < TIGHT_MM) return `tight: ${both}; ${TIGHT_MM} mm a side goes in easily`;
  return undefined;
}

/** A panel smaller than this is no picture, mm. Ours. */
const LEAST_PANEL_MM = 30;

/** The smallest card that leaves a panel within its rims. */
function leastCard(format: CardFormat): Size {
  const shows = format.mats.reduce((sum, { showsMm }) => sum + showsMm, format.panelRevealMm);
  const edge = LEAST_PANEL_MM + 2 * (shows + (format.border === 'taped' ? format.tapeMm : 0));
  return { widthMm: edge, heightMm: edge };
}

/** A size less `rim` on every side, never below nothing. */
function shrink({ widthMm, heightMm }: Size, rim: number): Size {
  return { widthMm: Math.max(0, round(widthMm - 2 * rim)), heightMm: Math.max(0, round(heightMm - 2 * rim)) };
}

/** Sums of decimal millimetres carry binary dust; a nanometre is far below any knife. */
const round = (mm: number): number => Math.round(mm * 1e6) / 1e6;
