import { cardSizes, type CardFormat } from '@kettle/core/card';

/** A rectangle of the plan, mm. */
export interface PaperRect {
  readonly kind: 'envelope' | 'card' | 'panel' | 'paint';
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

/** Words on the drawing, at a place in mm. */
export interface PaperWord {
  readonly text: string;
  readonly x: number;
  readonly y: number;
}

/** A dimension line, mm: from and to, and where its number stands. */
export interface Dimension {
  readonly text: string;
  readonly along: 'x' | 'y';
  readonly from: number;
  readonly to: number;
  readonly at: number;
}

/** Two drawings to one scale: the card in its envelope, and the opened sheet with its score. All mm. */
export interface PaperDrawing {
  readonly viewBox: string;
  readonly rects: readonly PaperRect[];
  readonly words: readonly PaperWord[];
  readonly dimensions: readonly Dimension[];
  readonly score: {
    readonly x1: number;
    readonly y1: number;
    readonly x2: number;
    readonly y2: number;
  } | null;
}

/** Room between and round the drawings for dimension lines, mm. */
const GAP_MM = 22;

/** The envelope with card and panel inside it, and the opened sheet below, drawn true to scale. */
export function paperDrawing(format: CardFormat, length: (mm: number) => string): PaperDrawing {
  const { card, flat, panel, paint, scores } = cardSizes(format);
  const { envelope } = format;
  const inside = { x: (envelope.widthMm - card.widthMm) / 2, y: (envelope.heightMm - card.heightMm) / 2 };
  const top = envelope.heightMm + 2 * GAP_MM;
  const score = scores.length === 0 ? null : scores[0];
  // The front lies on the right half of a side fold and on the lower half of a top fold.
  const front = { x: flat.widthMm - card.widthMm, y: top + flat.heightMm - card.heightMm };
  const centred = (at: { x: number; y: number }, size: { widthMm: number; heightMm: number }) => ({
    x: at.x + (card.widthMm - size.widthMm) / 2,
    y: at.y + (card.heightMm - size.heightMm) / 2,
    width: size.widthMm,
    height: size.heightMm,
  });
  const width = Math.max(envelope.widthMm, flat.widthMm);
  const height = top + flat.heightMm;
  return {
    viewBox: `${-GAP_MM} ${-GAP_MM} ${width + 2 * GAP_MM} ${height + 1.6 * GAP_MM}`,
    rects: [
      { kind: 'envelope', x: 0, y: 0, width: envelope.widthMm, height: envelope.heightMm },
      { kind: 'card', x: inside.x, y: inside.y, width: card.widthMm, height: card.heightMm },
      { kind: 'panel', ...centred(inside, panel) },
      { kind: 'card', x: 0, y: top, width: flat.widthMm, height: flat.heightMm },
      { kind: 'paint', ...centred(front, paint) },
      { kind: 'panel', ...centred(front, panel) },
    ],
    words: [
      {
        text: `panel ${length(panel.widthMm)} × ${length(panel.heightMm)}`,
        x: envelope.widthMm / 2,
        y: envelope.heightMm / 2,
      },
      { text: 'the front, painted', x: front.x + card.widthMm / 2, y: front.y + card.heightMm / 2 },
    ],
    dimensions: [
      { text: `envelope ${length(envelope.widthMm)}`, along: 'x', from: 0, to: envelope.widthMm, at: -8 },
      { text: length(envelope.heightMm), along: 'y', from: 0, to: envelope.heightMm, at: -8 },
      {
        text: `card ${length(card.widthMm)}`,
        along: 'x',
        from: inside.x,
        to: inside.x + card.widthMm,
        at: envelope.heightMm + 8,
      },
      {
        text: length(card.heightMm),
        along: 'y',
        from: inside.y,
        to: inside.y + card.heightMm,
        at: envelope.widthMm + 8,
      },
      {
        text: `${scores.length > 0 ? 'sheet, opened' : 'sheet'} ${length(flat.widthMm)}`,
        along: 'x',
        from: 0,
        to: flat.widthMm,
        at: top - 8,
      },
      { text: length(flat.heightMm), along: 'y', from: top, to: top + flat.heightMm, at: -8 },
    ],
    score:
      score === null
        ? null
        : score.axis === 'x'
          ? { x1: score.atMm, y1: top, x2: score.atMm, y2: top + flat.heightMm }
          : { x1: 0, y1: top + score.atMm, x2: flat.widthMm, y2: top + score.atMm },
  };
}

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

/** What to cut, score and tape, in words. */
export function paperWords(
  format: CardFormat,
  length: (mm: number) => string,
): { readonly cut: string; readonly score: string; readonly panel: string } {
  const { flat, panel, paint, scores } = cardSizes(format);
  const by = (size: { widthMm: number; heightMm: number }): string =>
    `${length(size.widthMm)} × ${length(size.heightMm)}`;
  const edge =
    format.border === 'taped'
      ? `tape ${length(format.tapeMm)} over the rim`
      : format.border === 'bleed'
        ? `paint ${length(format.bleedMm)} past the trim line`
        : 'bare edge';
  return {
    cut: `Cut the sheet ${by(flat)}.`,
    score:
      scores.length === 0
        ? 'No fold.'
        : `Score ${length(scores[0].atMm)} from the ${scores[0].axis === 'x' ? 'left' : 'top'} edge.`,
    panel: `Panel ${by(panel)}; ${edge}${format.panelRevealMm > 0 ? `, on its own sheet of ${by(paint)}` : ''}.`,
  };
}
