import { facesOf, type CardSizes } from '../../commission/card';
import { formatOf, sizesOf, type Plan } from '../../document/plan';

/** How a line is meant: the knife's, the bone folder's, what is trimmed when dry, what only shows, the ruler's. */
export type PrintedLine = 'cut' | 'score' | 'trim' | 'show' | 'bar';

/** A drawing at true size, mm from its top left corner. */
export interface TrueSize {
  readonly title: string;
  readonly widthMm: number;
  readonly heightMm: number;
  readonly lines: readonly {
    readonly kind: PrintedLine;
    readonly from: readonly [number, number];
    readonly to: readonly [number, number];
  }[];
  readonly words: readonly {
    readonly text: string;
    readonly at: readonly [number, number];
    readonly centred: boolean;
    readonly headDown: boolean;
  }[];
}

/** Length of the bar by which a printer is checked, mm. */
export const RULER_MM = 100;

/** Height of the letters on a print, mm. */
export const LETTER_MM = 3;

/** Room under a drawing for its ruler and title, mm. */
const FOOT_MM = 18;

type Line = TrueSize['lines'][number];
type Word = TrueSize['words'][number];

/**
 * The opened sheet of a card from its outside, at true size: cut, scores, what is trimmed, the panel, and which face lies
 * where. A painted edge makes the cut larger than the card; the trim lines are the card.
 */
export function cardAtTrueSize(plan: Plan, length: (mm: number) => string): TrueSize {
  const sizes = sizesOf(plan);
  const { flat, card, mats, panel, paint } = sizes;
  const rim = {
    x: Math.max(0, (paint.widthMm - card.widthMm) / 2),
    y: Math.max(0, (paint.heightMm - card.heightMm) / 2),
  };
  const cut = { widthMm: flat.widthMm + 2 * rim.x, heightMm: flat.heightMm + 2 * rim.y };
  const faces = facesOf(formatOf(plan).fold, sizes).filter(({ side }) => side === 'outside');
  const front = faces.find(({ name }) => name === 'front')!;
  const onFront = (size: { widthMm: number; heightMm: number }): Line[] =>
    box(
      'show',
      rim.x + front.x + (card.widthMm - size.widthMm) / 2,
      rim.y + front.y + (card.heightMm - size.heightMm) / 2,
      size,
    );
  return withRuler({
    title: plan.title,
    ...cut,
    lines: [
      ...box('cut', 0, 0, cut),
      ...(rim.x > 0 || rim.y > 0 ? box('trim', rim.x, rim.y, flat) : []),
      ...scoreLines(sizes, rim),
      ...mats.flatMap(onFront),
      ...onFront(panel),
    ],
    words: faces.map(({ name, x, y, headDown }): Word => {
      const size = name === 'front' ? `panel ${by(panel, length)}` : `sheet ${by(flat, length)}`;
      return {
        text: `${name}, ${size}`,
        at: [rim.x + x + card.widthMm / 2, rim.y + y + card.heightMm / 2],
        centred: true,
        headDown,
      };
    }),
  });
}

const by = (size: { widthMm: number; heightMm: number }, length: (mm: number) => string): string =>
  `${length(size.widthMm)} × ${length(size.heightMm)}`;

function scoreLines({ flat, scores }: CardSizes, rim: { readonly x: number; readonly y: number }): Line[] {
  return scores.map(({ axis, atMm }) =>
    axis === 'x'
      ? { kind: 'score', from: [rim.x + atMm, rim.y], to: [rim.x + atMm, rim.y + flat.heightMm] }
      : { kind: 'score', from: [rim.x, rim.y + atMm], to: [rim.x + flat.widthMm, rim.y + atMm] },
  );
}

function box(kind: PrintedLine, x: number, y: number, size: { widthMm: number; heightMm: number }): Line[] {
  const [right, bottom] = [x + size.widthMm, y + size.heightMm];
  return [
    { kind, from: [x, y], to: [right, y] },
    { kind, from: [right, y], to: [right, bottom] },
    { kind, from: [right, bottom], to: [x, bottom] },
    { kind, from: [x, bottom], to: [x, y] },
  ];
}

/** The drawing with the ruler bar and its title under it. */
function withRuler(drawing: TrueSize): TrueSize {
  const foot = drawing.heightMm + 7;
  return {
    ...drawing,
    widthMm: Math.max(drawing.widthMm, RULER_MM),
    heightMm: drawing.heightMm + FOOT_MM,
    lines: [...drawing.lines, ...rulerBar(0, foot)],
    words: [
      ...drawing.words,
      {
        text: `${drawing.title}. Print at 100 %: the bar is ${RULER_MM} mm long.`,
        at: [0, foot + 7],
        centred: false,
        headDown: false,
      },
    ],
  };
}

/** A bar of `RULER_MM` with a tick every centimetre. */
export function rulerBar(x: number, y: number): Line[] {
  const ticks = Array.from({ length: RULER_MM / 10 + 1 }, (_, cm): Line => {
    const at = x + 10 * cm;
    return { kind: 'bar', from: [at, y - 1.5], to: [at, y + 1.5] };
  });
  return [{ kind: 'bar', from: [x, y], to: [x + RULER_MM, y] }, ...ticks];
}
