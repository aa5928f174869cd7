import { MOST_MASK_STROKES } from '../../drawing/masking';
import { BadInput } from '../../kit/units';

/** Areas, whites, mixes, acts of one plan: so many of each at most; a card of letters in a wreath has some dozens. */
export const MOST_IN_A_LIST = 400;

/** Corners of all areas together; the checks look at each of them. */
export const MOST_CORNERS_IN_ALL = 60_000;

/** Points of all lines, and of all strokes of masking, together. */
export const MOST_POINTS_IN_ALL = 1_000_000;

/** More pigments no plan has; a dish holds fewer. */
export const MOST_PIGMENTS = 40;

/** So many entries each list of a plan takes. */
export const MOST_OF = {
  ...{ areas: MOST_IN_A_LIST, whites: MOST_IN_A_LIST, mixes: MOST_IN_A_LIST, acts: MOST_IN_A_LIST },
  ...{
    pictures: 40,
    lines: 20_000,
    words: 60,
    guides: MOST_IN_A_LIST,
    resists: 200,
    trials: 60,
    things: 100,
  },
} as const;
type List = keyof typeof MOST_OF;

/** The lists of a plan, as far as what is in them is counted. */
type Lists = { readonly [L in Exclude<List, 'areas' | 'lines' | 'resists'>]: readonly unknown[] } & {
  readonly areas: readonly { readonly outline: readonly (readonly unknown[])[] }[];
  readonly lines: readonly { readonly points: readonly unknown[] }[];
  readonly resists: readonly { readonly strokes: readonly { readonly points: readonly unknown[] }[] }[];
};

const total = (counts: readonly number[]): number => counts.reduce((all, count) => all + count, 0);

const tooMany = (count: number, most: number, what: string): string | null =>
  count > most ? `have ${count} ${what} in all; ${most} go` : null;

/** What some lists hold too much of altogether, in words; `null` for nothing. */
export const TOO_MUCH_IN = {
  areas: ({ areas }: Pick<Lists, 'areas'>) =>
    tooMany(
      total(areas.flatMap(({ outline }) => outline.map((ring) => ring.length))),
      MOST_CORNERS_IN_ALL,
      'corners',
    ),
  lines: ({ lines }: Pick<Lists, 'lines'>) =>
    tooMany(total(lines.map(({ points }) => points.length)), MOST_POINTS_IN_ALL, 'points'),
  resists: ({ resists }: Pick<Lists, 'resists'>) =>
    resists.some(({ strokes }) => strokes.length > MOST_MASK_STROKES)
      ? `have one of more than ${MOST_MASK_STROKES} strokes`
      : tooMany(
          total(resists.flatMap(({ strokes }) => strokes.map(({ points }) => points.length))),
          MOST_POINTS_IN_ALL,
          'points',
        ),
} as const;

/**
 * A change must not make a plan that could not be read again. Only lists that it touches are looked at. Throws `BadInput` on the
 * list that would hold too much.
 */
export function mustFit(next: Lists, before: Lists): void {
  for (const list of Object.keys(MOST_OF) as List[]) {
    const { length } = next[list];
    if (length > MOST_OF[list] && length > before[list].length)
      throw new BadInput(list, `would be ${length}; ${MOST_OF[list]} go`);
  }
  for (const list of ['areas', 'lines', 'resists'] as const) {
    const tooMuch = next[list] === before[list] ? null : TOO_MUCH_IN[list](next);
    if (tooMuch !== null) throw new BadInput(list, tooMuch);
  }
}
