import {
  cardSizes,
  facesOf,
  isMounted,
  type CardFormat,
  type CardSizes,
  type Face,
  type Size,
} from '@kettle/core/commission/card';

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

/** Where the parts of both drawings lie, mm. */
interface Layout {
  readonly letterMm: number;
  /** Room for a dimension line and its words. */
  readonly gap: number;
  readonly width: number;
  readonly height: number;
  readonly envelope: Placed;
  readonly card: Placed;
  readonly flat: Placed;
  /** The front of the card on the opened sheet. */
  readonly front: Placed;
}

function layoutOf(format: CardFormat, sizes: CardSizes): Layout {
  const { card, flat } = sizes;
  const { envelope: lies } = format;
  const envelope = format.stands === 'lying' ? lies : { widthMm: lies.heightMm, heightMm: lies.widthMm };
  const height = Math.max(envelope.heightMm, flat.heightMm);
  const letterMm = Math.max(
    (envelope.widthMm + flat.widthMm) / (LETTERS_ACROSS - 4 * GAP_LETTERS),
    height / (LETTERS_DOWN - 2 * GAP_LETTERS),
  );
  const gap = GAP_LETTERS * letterMm;
  const envelopeAt = { x: 0, y: (height - envelope.heightMm) / 2, ...envelope };
  const flatAt = { x: envelope.widthMm + 2 * gap, y: (height - flat.heightMm) / 2, ...flat };
  const front = facesOutside(format, sizes).find(({ name }) => name === 'front')!;
  return {
    ...{ letterMm, gap, height, width: flatAt.x + flat.widthMm },
    ...{ envelope: envelopeAt, card: centred(envelopeAt, card), flat: flatAt },
    front: { x: flatAt.x + front.x, y: flatAt.y + front.y, ...card },
  };
}

const facesOutside = (format: CardFormat, sizes: CardSizes): Face[] =>
  facesOf(format.fold, sizes).filter(({ side }) => side === 'outside');

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
  const layout = layoutOf(format, sizes);
  const { letterMm, gap, width, height, envelope, card, flat } = layout;
  const under = centred(card, sizes.mats.at(-1) ?? sizes.card);
  return {
    viewBox: `${-gap} ${-gap} ${width + 2 * gap} ${height + 2 * gap}`,
    letterMm,
    rects: rectsOf(format, sizes, layout),
    words: wordsOf(format, sizes, layout, length),
    dimensions: dimensionsOf(format, sizes, layout, length),
    scores: sizes.scores.map(({ axis, atMm }) =>
      axis === 'x'
        ? { x1: flat.x + atMm, y1: flat.y, x2: flat.x + atMm, y2: flat.y + flat.heightMm }
        : { x1: flat.x, y1: flat.y + atMm, x2: flat.x + flat.widthMm, y2: flat.y + atMm },
    ),
    handles: handlesOf(format, sizes.bulkMm, envelope, card, under),
  };
}

function rectsOf(format: CardFormat, { mats, panel, paint }: CardSizes, layout: Layout): CardRect[] {
  const rect = (kind: CardRect['kind'], at: Placed): CardRect => ({
    ...{ kind, x: at.x, y: at.y, width: at.widthMm, height: at.heightMm },
    round: kind === 'panel' && format.edge === 'rounded' ? ROUND_MM : 0,
  });
  const onCard = (at: Placed): CardRect[] => [
    ...mats.map((mat) => rect('mat', centred(at, mat))),
    rect('panel', centred(at, panel)),
  ];
  return [
    rect('envelope', layout.envelope),
    rect('card', layout.card),
    ...onCard(layout.card),
    rect('card', layout.flat),
    ...(isMounted(format) ? [] : [rect('paint', centred(layout.front, paint))]),
    ...onCard(layout.front),
  ];
}

/** The panel's size on the card in its envelope, and each face by its name. */
function wordsOf(
  format: CardFormat,
  sizes: CardSizes,
  { envelope, flat, letterMm }: Layout,
  length: (mm: number) => string,
): CardWord[] {
  const { panel, card } = sizes;
  const size = `${length(panel.widthMm)} × ${length(panel.heightMm)}`;
  const isNarrow = panel.widthMm < LETTERS_OF_A_SIZE * letterMm;
  return [
    ...onPanel(size, isNarrow ? letterMm : 0).map(({ text, down: lower }) => ({
      ...{ text, x: envelope.widthMm / 2, headDown: false },
      y: envelope.y + envelope.heightMm / 2 + lower,
    })),
    ...facesOutside(format, sizes).map(({ name, x, y, headDown }) => ({
      text: name,
      x: flat.x + x + card.widthMm / 2,
      y: flat.y + y + card.heightMm / 2,
      headDown,
    })),
  ];
}

function dimensionsOf(
  format: CardFormat,
  { scores }: CardSizes,
  { gap, width, envelope, card, flat }: Layout,
  length: (mm: number) => string,
): Dimension[] {
  const off = 0.5 * gap;
  const sheet = format.fold === 'flat' ? 'sheet' : 'sheet, opened';
  return [
    across(`envelope ${length(envelope.widthMm)}`, envelope, envelope.y - off),
    down(length(envelope.heightMm), envelope, -off),
    across(`card ${length(card.widthMm)}`, card, envelope.y + envelope.heightMm + off),
    down(length(card.heightMm), card, envelope.widthMm + off),
    across(`${sheet} ${length(flat.widthMm)}`, flat, flat.y - off),
    down(length(flat.heightMm), flat, width + off),
    ...scores
      .slice(0, 1)
      .map(({ axis, atMm }) =>
        axis === 'x'
          ? across(`score ${length(atMm)}`, { ...flat, widthMm: atMm }, flat.y + flat.heightMm + off)
          : down(`score ${length(atMm)}`, { ...flat, heightMm: atMm }, flat.x - off),
      ),
  ];
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
