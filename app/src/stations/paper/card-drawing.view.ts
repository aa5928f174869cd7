import { cardSizes, facesOf, isMounted, type CardFormat, type Size } from '@kettle/core/commission/card';

/** A rectangle of the plan, mm; `round` is the radius of its corners. */
export interface CardRect {
  readonly kind: 'envelope' | 'card' | 'mat' | 'panel' | 'paint';
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
  readonly round: number;
}

/** Words on the drawing, at a place in mm; those of a face that is painted head down stand on their head. */
export interface CardWord {
  readonly text: string;
  readonly x: number;
  readonly y: number;
  readonly headDown: boolean;
}

/** A dimension line, mm: from and to, and how far along the other way it stands. */
export interface Dimension {
  readonly text: string;
  readonly along: 'x' | 'y';
  readonly from: number;
  readonly to: number;
  readonly at: number;
}

/** A size that can be set by dragging an upright edge, mm: `value` grows as the edge moves left of `outer`. */
export interface Handle {
  readonly key: 'clearanceMm' | 'panelRevealMm' | 'tapeMm';
  readonly label: string;
  readonly outer: number;
  readonly x: number;
  readonly top: number;
  readonly bottom: number;
  readonly value: number;
}

/** Two drawings to one scale: the card in its envelope, and the opened sheet with its scores. All mm. */
export interface CardDrawing {
  readonly viewBox: string;
  /** Height of the letters that reads well at the usual width. */
  readonly letterMm: number;
  readonly rects: readonly CardRect[];
  readonly words: readonly CardWord[];
  readonly dimensions: readonly Dimension[];
  readonly scores: readonly {
    readonly x1: number;
    readonly y1: number;
    readonly x2: number;
    readonly y2: number;
  }[];
  readonly handles: readonly Handle[];
}

/** Letters across and down the drawing where it stands, and the room for dimension lines in letters. */
const LETTERS_ACROSS = 66;
const LETTERS_DOWN = 25;
const GAP_LETTERS = 2.6;

/** A panel narrower than this has its size written on two lines, letters. */
const LETTERS_OF_A_SIZE = 13;

/** What stands on the panel: its size, under the word for it where both do not go side by side. mm. */
const onPanel = (size: string, line: number): { text: string; down: number }[] =>
  line === 0
    ? [{ text: `panel ${size}`, down: 0 }]
    : [
        { text: 'panel', down: -0.6 * line },
        { text: size, down: 0.7 * line },
      ];

/** Radius of a rounded corner as it is drawn, mm. */
const ROUND_MM = 5;

/**
 * The envelope with card, mats and panel inside it, and beside it the opened sheet from its outside, true to one scale.
 * `panelMm` is the thickness of the painted sheet.
 */
export function cardDrawing(
  format: CardFormat,
  panelMm: number,
  length: (mm: number) => string,
): CardDrawing {
  const sizes = cardSizes(format, panelMm);
  const { card, flat, mats, panel, paint } = sizes;
  const { envelope: lies } = format;
  const envelope = format.stands === 'lying' ? lies : { widthMm: lies.heightMm, heightMm: lies.widthMm };
  const height = Math.max(envelope.heightMm, flat.heightMm);
  const letterMm = Math.max(
    (envelope.widthMm + flat.widthMm) / (LETTERS_ACROSS - 4 * GAP_LETTERS),
    height / (LETTERS_DOWN - 2 * GAP_LETTERS),
  );
  const gap = GAP_LETTERS * letterMm;
  const dimensionGap = 0.5 * gap;
  const [envelopeTop, flatTop] = [(height - envelope.heightMm) / 2, (height - flat.heightMm) / 2];
  const flatLeft = envelope.widthMm + 2 * gap;
  const width = flatLeft + flat.widthMm;
  const envelopeAt = { x: 0, y: envelopeTop, ...envelope };
  const cardAt = centred(envelopeAt, card);
  const outside = facesOf(format.fold, sizes).filter(({ side }) => side === 'outside');
  const front = outside.find(({ name }) => name === 'front')!;
  const frontAt = { x: flatLeft + front.x, y: flatTop + front.y, ...card };
  const rect = (kind: CardRect['kind'], at: Placed): CardRect => ({
    ...{ kind, x: at.x, y: at.y, width: at.widthMm, height: at.heightMm },
    round: kind === 'panel' && format.edge === 'rounded' ? ROUND_MM : 0,
  });
  const onCard = (at: Placed): CardRect[] => [
    ...mats.map((mat) => rect('mat', centred(at, mat))),
    rect('panel', centred(at, panel)),
  ];
  return {
    viewBox: `${-gap} ${-gap} ${width + 2 * gap} ${height + 2 * gap}`,
    letterMm,
    rects: [
      rect('envelope', envelopeAt),
      rect('card', cardAt),
      ...onCard(cardAt),
      rect('card', { x: flatLeft, y: flatTop, ...flat }),
      ...(isMounted(format) ? [] : [rect('paint', centred(frontAt, paint))]),
      ...onCard(frontAt),
    ],
    words: [
      ...onPanel(
        `${length(panel.widthMm)} × ${length(panel.heightMm)}`,
        panel.widthMm < LETTERS_OF_A_SIZE * letterMm ? letterMm : 0,
      ).map(({ text, down: lower }) => ({
        ...{ text, x: envelope.widthMm / 2, headDown: false },
        y: envelopeTop + envelope.heightMm / 2 + lower,
      })),
      ...outside.map(({ name, x, y, headDown }) => ({
        text: name,
        x: flatLeft + x + card.widthMm / 2,
        y: flatTop + y + card.heightMm / 2,
        headDown,
      })),
    ],
    dimensions: [
      across(`envelope ${length(envelope.widthMm)}`, envelopeAt, envelopeTop - dimensionGap),
      down(length(envelope.heightMm), envelopeAt, -dimensionGap),
      across(`card ${length(card.widthMm)}`, cardAt, envelopeTop + envelope.heightMm + dimensionGap),
      down(length(card.heightMm), cardAt, envelope.widthMm + dimensionGap),
      across(
        `${format.fold === 'flat' ? 'sheet' : 'sheet, opened'} ${length(flat.widthMm)}`,
        { x: flatLeft, y: flatTop, ...flat },
        flatTop - dimensionGap,
      ),
      down(length(flat.heightMm), { x: flatLeft, y: flatTop, ...flat }, width + dimensionGap),
      ...sizes.scores
        .slice(0, 1)
        .map(({ axis, atMm }) =>
          axis === 'x'
            ? across(
                `score ${length(atMm)}`,
                { ...{ x: flatLeft, y: 0, heightMm: 0 }, widthMm: atMm },
                flatTop + flat.heightMm + dimensionGap,
              )
            : down(
                `score ${length(atMm)}`,
                { ...{ x: 0, y: flatTop, widthMm: 0 }, heightMm: atMm },
                flatLeft - dimensionGap,
              ),
        ),
    ],
    scores: sizes.scores.map(({ axis, atMm }) =>
      axis === 'x'
        ? { x1: flatLeft + atMm, y1: flatTop, x2: flatLeft + atMm, y2: flatTop + flat.heightMm }
        : { x1: flatLeft, y1: flatTop + atMm, x2: flatLeft + flat.widthMm, y2: flatTop + atMm },
    ),
    handles: handlesOf(format, sizes.bulkMm, envelopeAt, cardAt, centred(cardAt, mats.at(-1) ?? card)),
  };
}

type Placed = Size & { readonly x: number; readonly y: number };

const centred = (within: Placed, size: Size): Placed => ({
  x: within.x + (within.widthMm - size.widthMm) / 2,
  y: within.y + (within.heightMm - size.heightMm) / 2,
  ...size,
});

const across = (text: string, { x, widthMm }: Placed, at: number): Dimension => ({
  ...{ text, along: 'x', from: x, to: x + widthMm, at },
});

const down = (text: string, { y, heightMm }: Placed, at: number): Dimension => ({
  ...{ text, along: 'y', from: y, to: y + heightMm, at },
});

/** The edges that can be dragged: the card's for its air, the panel's for tape or for the base that shows. */
function handlesOf(
  format: CardFormat,
  bulkMm: number,
  envelope: Placed,
  card: Placed,
  under: Placed,
): Handle[] {
  const handles: Handle[] = [];
  const add = (key: Handle['key'], label: string, outer: number, value: number, at: Placed): void =>
    void handles.push({
      ...{ key, label, outer, value, x: outer - value },
      ...{ top: at.y, bottom: at.y + at.heightMm },
    });
  if (!format.card)
    add(
      'clearanceMm',
      'air between card and envelope',
      envelope.x + envelope.widthMm - bulkMm / 2,
      format.clearanceMm,
      card,
    );
  const edge = card.x + card.widthMm;
  if (format.mats.length > 0 || format.panelRevealMm > 0)
    add('panelRevealMm', 'base round the panel', edge, format.panelRevealMm, under);
  const shows = format.panelRevealMm + format.mats.reduce((sum, { showsMm }) => sum + showsMm, 0);
  if (format.border === 'taped') add('tapeMm', 'rim under the tape', edge - shows, format.tapeMm, under);
  return handles;
}
