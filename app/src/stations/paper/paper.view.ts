import { cardSizes, isMounted, type CardFormat, type Size } from '@kettle/core/commission/card';

/** What the air over a table can be, in the units of the fields. */
const AIR_LIMITS = {
  tempC: { most: 50, words: 'The air is between 0 and 50 °C' },
  rh: { most: 1, words: 'Humidity is between 0 and 100 %' },
  airMs: { most: 20, words: 'Air moves at 0 to 20 m/s' },
} as const;

/** What is wrong with a reading of the air, or an empty text. Humidity as a fraction. */
export function airFault(key: keyof typeof AIR_LIMITS, value: number): string {
  const { most, words } = AIR_LIMITS[key];
  return value >= 0 && value <= most ? '' : words;
}

/** What to cut, score and paint, and how it goes into its envelope, in words. */
export interface PaperWords {
  readonly cut: string;
  readonly score: string;
  readonly panel: string;
  readonly goesIn: string;
}

/** The card in words; `panelMm` is the thickness of the painted sheet. */
export function paperWords(format: CardFormat, panelMm: number, length: (mm: number) => string): PaperWords {
  const { flat, panel, paint, scores, clearance, bulkMm } = cardSizes(format, panelMm);
  const by = (size: Size): string => `${length(size.widthMm)} × ${length(size.heightMm)}`;
  const from = scores.at(0)?.axis === 'x' ? 'left' : 'top';
  const bulk = bulkMm > 0 ? ` ${length(bulkMm)} of thickness is allowed for.` : '';
  return {
    cut: `Cut the sheet ${by(flat)}.`,
    score:
      scores.length === 0
        ? 'No fold.'
        : `Score ${scores.map(({ atMm }) => length(atMm)).join(' and ')} from the ${from} edge, grain along it.`,
    panel: `Panel ${by(panel)}; ${edgeInWords(format, length)}${isMounted(format) ? `, on its own sheet of ${by(paint)}` : ''}.`,
    goesIn: `Goes in with ${length(clearance.perSideMm)} a side, ${length(clearance.inAllMm)} in all.${bulk}`,
  };
}

function edgeInWords({ border, tapeMm, bleedMm, edge }: CardFormat, length: (mm: number) => string): string {
  const rim =
    border === 'taped'
      ? `tape ${length(tapeMm)} over the rim`
      : border === 'bleed'
        ? `paint ${length(bleedMm)} past the trim line`
        : 'bare edge';
  return edge === 'cut' ? rim : `${rim}, ${edge === 'rounded' ? 'corners rounded' : `edge ${edge}`}`;
}
