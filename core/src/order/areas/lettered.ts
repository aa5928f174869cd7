import { bounds, contains, middleOf, polygonArea, type Point, type Polygon } from '../../kit/geometry';
import type { Setting, Words } from '../../drawing/lettering';
import { LONGEST_NAME, type Command } from '../../document/plan';
import type { Area, PencilLine, PencilPoint } from '../../drawing/sketch';
import { filled, stroked } from './combine';

/** A dot smaller than this is no area to paint, mm². */
const DOT_MM2 = 0.2;

/** Of a line so much must lie on the words for it to be their lettering. */
const ON_WORDS = 0.6;

/** Hand lettering reaches so far beyond the letters it is drawn over, as a share of a capital’s height. */
const BEYOND = 0.35;

/** Lettering drawn by hand over words: the lines of it, and how far it keeps to their measure. */
export interface HandLettered {
  readonly lines: readonly string[];
  /** How much it runs out at its left and its right, mm; less than nothing where it stays within. */
  readonly leftMm: number;
  readonly rightMm: number;
}

/** Which lines letter words by hand, and how they keep to their measure; `null` when none does. */
export function handLettered(
  lines: readonly PencilLine[],
  { letters, capHeightMm }: Setting,
): HandLettered | null {
  if (letters.length === 0) return null;
  const [left, top, wide, high] = bounds([letters.flatMap(({ contours }) => contours.flat())]);
  const reach = BEYOND * capHeightMm;
  const on = ([x, y]: PencilPoint): boolean =>
    x > left - reach && x < left + wide + reach && y > top - reach && y < top + high + reach;
  const own = lines.filter(
    ({ kind, points }) => kind !== 'fold' && points.filter(on).length >= ON_WORDS * points.length,
  );
  if (own.length === 0) return null;
  const [x, , width] = bounds([own.flatMap(({ points }) => points.map(([px, py]): Point => [px, py]))]);
  return { lines: own.map(({ id }) => id), leftMm: left - x, rightMm: x + width - left - wide };
}

/** What makes areas, and of them one thing, of hand lettering drawn with a pen of a width, mm: whatever of it hangs together is one area. */
export function areasOfHand(
  text: string,
  lines: readonly PencilLine[],
  penMm: number,
  newId: () => string,
): Command[] {
  const drawn = lines.map(({ points }) => points.map(([x, y]): Point => [x, y]));
  const areas = stroked(drawn, penMm)
    .sort((a, b) => bounds(a)[0] - bounds(b)[0])
    .map((outline, i, { length }): Area => {
      const part = length === 1 ? '' : `, part ${i + 1}`;
      return {
        ...{ id: newId(), name: `${text.slice(0, LONGEST_SAID)}${part}`, outline },
        lines: linesOn(outline, lines),
      };
    });
  return asThing(text, areas);
}

/** A thing has no longer name than so much of its text. */
const LONGEST_SAID = 40;

/** Areas that are added, and belong together. */
function asThing(text: string, areas: readonly Area[]): Command[] {
  const added = areas.map((area): Command => ({ do: 'add-area', area }));
  if (areas.length < 2) return added;
  const members = areas.map(({ id }) => id);
  const thing = { id: `thing-${members[0]}`, name: text.slice(0, LONGEST_SAID), members };
  return [...added, { do: 'gather', thing }];
}

const linesOn = (outline: Polygon, lines: readonly PencilLine[]): string[] =>
  lines.filter(({ points: [[x, y]] }) => contains(outline, [x, y])).map(({ id }) => id);

/**
 * What makes areas of words: each letter, or what letters that flow into one another make together, with its counters as
 * holes. They are named by the letters from left to right, and together are one thing.
 */
export function areasOfWords(words: Words, { letters }: Setting, newId: () => string): Command[] {
  const regions = filled(letters.flatMap(({ contours }) => contours)).filter(
    (region) => polygonArea(region) > DOT_MM2,
  );
  const placed = letters.map(({ char, contours }) => ({ char, at: middleOf([contours.flat()])[0] }));
  const areas = regions
    .map((outline) => ({ outline, box: bounds(outline) }))
    .sort((a, b) => a.box[0] - b.box[0])
    .map(({ outline, box: [x, , width] }): Area => {
      const within = placed.filter(({ char, at }) => char.trim() !== '' && at >= x && at <= x + width);
      const said = within.map(({ char }) => char).join('');
      return {
        id: newId(),
        name: `${words.text.slice(0, LONGEST_SAID)}: ${said || 'dot'}`.slice(0, LONGEST_NAME),
        outline,
      };
    });
  return asThing(words.text, areas);
}
