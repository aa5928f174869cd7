import { bounds, middleOf, polygonArea } from '../geometry';
import type { Setting, Words } from '../lettering';
import type { Command } from '../plan';
import { filled } from './combine';

/** A dot smaller than this is no area to paint, mm². */
const DOT_MM2 = 0.2;

/**
 * What makes areas of words: each letter, or what letters that flow into one another make together, with its counters as
 * holes. They are named by the letters from left to right.
 */
export function areasOfWords(words: Words, { letters }: Setting, newId: () => string): Command[] {
  const regions = filled(letters.flatMap(({ contours }) => contours)).filter(
    (region) => polygonArea(region) > DOT_MM2,
  );
  const placed = letters.map(({ char, contours }) => ({ char, at: middleOf([contours.flat()])[0] }));
  return regions
    .map((outline) => ({ outline, box: bounds(outline) }))
    .sort((a, b) => a.box[0] - b.box[0])
    .map(({ outline, box: [x, , width] }): Command => {
      const within = placed.filter(({ char, at }) => char.trim() !== '' && at >= x && at <= x + width);
      const said = within.map(({ char }) => char).join('');
      return {
        do: 'add-area',
        area: { id: newId(), name: `${words.text.slice(0, 40)}: ${said || 'dot'}`.slice(0, 60), outline },
      };
    });
}
