import { expect, it } from 'vitest';
import { contains, type Point, polygonArea } from '../../kit/geometry';
import { loadFont, setWords, wordsSchema } from '../../drawing/lettering';
import { areasOfWords, filled } from '.';

it('letters become areas with their counters as holes, named from left to right', async () => {
  const words = wordsSchema.parse({
    ...{ id: 'w', text: 'B8 o', font: 'bold', capHeightMm: 20, from: [5, 40], to: [140, 40], archMm: 0 },
    ...{ slantDeg: 0, spacingMm: 0, set: 'left' },
  });
  let made = 0;
  const commands = areasOfWords(words, setWords(words, await loadFont('bold')), () => `a${made++}`);
  const areas = commands.flatMap((command) => (command.do === 'add-area' ? [command.area] : []));
  expect(areas.map(({ name }) => name)).toEqual(['B8 o: B', 'B8 o: 8', 'B8 o: o']);
  expect(areas.map(({ outline }) => outline.length - 1)).toEqual([2, 2, 1]);
});

it('letters of a script that flow into one another are one area', async () => {
  const words = wordsSchema.parse({
    ...{ id: 'w', text: 'noon', font: 'flowing', capHeightMm: 20, from: [5, 40], to: [140, 40], archMm: 0 },
    ...{ slantDeg: 0, spacingMm: 0, set: 'left' },
  });
  const commands = areasOfWords(words, setWords(words, await loadFont('flowing')), () => 'a');
  expect(commands).toHaveLength(1);
});

it('what contours enclose has as holes those that run the other way round, and nothing twice', () => {
  const box = (x: number, size: number): Point[] => [
    [x, 0],
    [x + size, 0],
    [x + size, size],
    [x, size],
  ];
  const [region] = filled([box(0, 10), box(5, 10), box(2, 1).reverse()]);
  // 10 × 10, another five to the right, and a hole of 1 mm² in the first.
  expect(polygonArea(region)).toBeCloseTo(150 - 1, 3);
  expect(contains(region, [2.5, 0.5])).toBe(false);
});
