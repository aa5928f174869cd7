import { beforeAll, describe, expect, it } from 'vitest';
import { filled } from '../../order/areas';
import {
  FONT_IDS,
  loadFonts,
  setWords,
  wordsSchema,
  type FontId,
  type LetterFont,
} from '../../drawing/lettering';
import type { Point, Polygon, Ring } from '../../kit/geometry';
import { distanceMap, getsIn, inscribedIn } from './distance-map.testdata';
import { legibility, measureLetter } from '.';

let fonts: ReadonlyMap<FontId, LetterFont>;
beforeAll(async () => {
  fonts = await loadFonts();
});

/** Cells of the grid letters are measured on by brute force, mm. */
const STEP_MM = 0.02;

const lettered = (font: FontId, char: string, capHeightMm: number): readonly Ring[] =>
  setWords(
    wordsSchema.parse({
      ...{ id: 'l', text: char, font, capHeightMm, from: [0, 100], to: [400, 100] },
      ...{ archMm: 0, slantDeg: 0, spacingMm: 0, set: 'left' },
    }),
    fonts.get(font)!,
  ).letters[0].contours;

const ring = (radius: number): Point[] =>
  Array.from({ length: 360 }, (_, i) => [
    20 + radius * Math.cos((i * Math.PI) / 180),
    20 + radius * Math.sin((i * Math.PI) / 180),
  ]);

describe('a letter is measured', () => {
  it('as it is drawn: an o of two circles, an 8 of two rings, an l', () => {
    const o = measureLetter({ contours: [ring(10), [...ring(6)].reverse()] });
    expect(o.counters).toHaveLength(1);
    expect(o.counters[0].mm / 12).toBeCloseTo(1, 2);
    expect(Math.hypot(o.counters[0].at[0] - 20, o.counters[0].at[1] - 20)).toBeLessThan(0.5);
    expect(o.strokeMm / 4).toBeCloseTo(1, 1);
    const eight = measureLetter({
      contours: [
        ring(10),
        [...ring(6)].reverse(),
        ring(7).map(([x, y]): Point => [x, y - 16]),
        [...ring(4)].reverse().map(([x, y]): Point => [x, y - 16]),
      ],
    });
    expect(eight.counters.map(({ mm }) => Math.round(10 * mm) / 10)).toEqual([8, 12]);
    expect(Math.abs(eight.strokeMm / 3 - 1)).toBeLessThan(0.03);
    const l = measureLetter({
      contours: [
        [
          [0, 0],
          [2, 0],
          [2, 20],
          [0, 20],
        ],
      ],
    });
    expect(l.counters).toEqual([]);
    expect(l.strokeMm).toBeCloseTo(2, 1);
  });

  it.each([
    ['flowing', 'e', 8],
    ['upright', '8', 5],
    ['rounded', 'R', 5],
    ['serif', 'a', 8],
    ['serif', 'B', 12],
    ['bold', '&', 5],
  ] as const)('of the %s font, %s at %i mm, as counting cells of 0.02 mm does', (font, char, capHeightMm) => {
    const regions = filled(lettered(font, char, capHeightMm));
    const holes = regions.flatMap(([, ...rings]) => rings.map((hole): Polygon => [hole]));
    const maps = regions.map((region) => distanceMap(region, STEP_MM));
    const [found] = legibility(char, fonts.get(font)!, capHeightMm, { maskLineMm: 1, brushTipMm: 1 }).letters;
    // A width counted in cells is short by up to one.
    const all = (widthMm: number): boolean => maps.every((map) => getsIn(map, 0.97, widthMm));
    expect(all(0.97 * found.strokeMm - STEP_MM)).toBe(true);
    expect(all(1.03 * found.strokeMm + STEP_MM)).toBe(false);
    if (holes.length === 0) return;
    const counter = Math.min(...holes.map((hole) => inscribedIn(distanceMap(hole, STEP_MM))));
    expect(Math.abs(found.counterMm! - counter)).toBeLessThan(0.03 * counter + STEP_MM);
  });
});

describe('legibility', () => {
  const tools = { maskLineMm: 0.8, brushTipMm: 1 };

  it.each(FONT_IDS)(
    'e, a, B, 8, R and & of the %s font: amiss when small, cured at the height told',
    (id) => {
      const font = fonts.get(id)!;
      const small = legibility('eaB8R&', font, 3, tools);
      expect(small.letters.map(({ char }) => char)).toEqual(['e', 'a', 'B', '8', 'R', '&']);
      expect(small.letters.every(({ problem }) => problem !== null)).toBe(true);
      const cure = small.cureCapHeightMm!;
      expect(legibility('eaB8R&', font, cure, tools).letters.every(({ problem }) => problem === null)).toBe(
        true,
      );
      expect(
        legibility('eaB8R&', font, cure - 0.2, tools).letters.some(({ problem }) => problem !== null),
      ).toBe(true);
    },
  );

  it('tells the counter the mask closes from the one no brush gets into, and from too fine a stroke', () => {
    const bold = fonts.get('bold')!;
    const { counterMm } = legibility('e', bold, 10, tools).letters[0];
    const problem = (maskLineMm: number, brushTipMm: number): unknown =>
      legibility('e', bold, 10, { maskLineMm, brushTipMm }).letters[0].problem;
    expect(problem(counterMm! + 0.05, 0.3)).toBe('counter-closed');
    expect(problem(0.3, counterMm! + 0.05)).toBe('counter-unpaintable');
    expect(problem(0.3, 0.3)).toBeNull();
    expect(
      legibility('l', fonts.get('serif')!, 5, { maskLineMm: 1, brushTipMm: 3 }).letters[0],
    ).toMatchObject({
      ...{ counterMm: null, problem: 'stroke-too-fine' },
    });
  });

  it('leaves out spaces and what the font has not, and owns up when no height cures', () => {
    const font = fonts.get('flowing')!;
    const { letters } = legibility('a ✿b', font, 10, tools);
    expect(letters.map(({ char, index }) => [char, index])).toEqual([
      ['a', 0],
      ['b', 3],
    ]);
    expect(legibility('e', font, 10, { maskLineMm: 8, brushTipMm: 8 }).cureCapHeightMm).toBeNull();
    expect(legibility('', font, 10, tools)).toEqual({ letters: [], cureCapHeightMm: 0 });
  });
});
