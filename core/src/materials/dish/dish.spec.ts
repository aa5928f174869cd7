import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { chromaOf, deltaE00, hueApart, hueOf, type Lab } from '../../kit/colour';
import { paperById } from '../paper';
import { atReferenceFilm, boxTable, glazeLab, pigmentByCode } from '../pigment';
import { done } from '../../kit/units';
import {
  blended,
  coloursFor,
  dishLayout,
  glazeChart,
  mixingChart,
  moodsIn,
  radiusOf,
  strengthFromMiddle,
  SCHEMES,
  suggestPalettes,
  tintChart,
  WELL_APART,
  type Mood,
  type Poured,
} from '.';

const paper = paperById('cotton-cold-300');
const palette = ['PY150', 'PR122', 'PB29', 'PBr7-burnt-sienna'].map((code) => pigmentByCode(code));

const RIM = ['a', 'b', 'c', 'd', 'e', 'f'];
const setOut = RIM.map((code, i) => ({ code, hueDeg: 60 * i }));
const poured = (id: string, strength: number, ...parts: [string, number][]): Poured => ({
  ...{ id, strength },
  parts: parts.map(([pigment, n]) => ({ pigment, parts: n })),
});
const away = (a: readonly [number, number], b: readonly [number, number]): number =>
  Math.hypot(a[0] - b[0], a[1] - b[1]);
const apart = (a: readonly [number, number], b: readonly [number, number]): number => {
  const turn = Math.abs(Math.atan2(a[1], a[0]) - Math.atan2(b[1], b[0]));
  return Math.min(turn, 2 * Math.PI - turn);
};

describe('the layout of a dish', () => {
  it('puts the hues in order round the rim where no mix asks for another', () => {
    expect(dishLayout(setOut, []).pigments.map(({ code }) => code)).toEqual(RIM);
    expect(dishLayout([], [])).toEqual({ pigments: [], mixes: [] });
  });

  it('lays a mix before its pigment, and between two of them nearer to the greater part', () => {
    const { pigments, mixes } = dishLayout(setOut, [
      poured('one', 0.4, ['c', 1]),
      poured('two', 0.1, ['a', 3], ['b', 1]),
    ]);
    const at = (code: string) => pigments.find((p) => p.code === code)!.at;
    expect(apart(mixes[0].at, at('c'))).toBeCloseTo(0, 6);
    expect(apart(mixes[1].at, at('a'))).toBeCloseTo(apart(at('a'), at('b')) / 4, 6);
    expect(apart(mixes[1].at, at('b'))).toBeCloseTo((3 * apart(at('a'), at('b'))) / 4, 6);
  });

  it('says with the way from the rim how much water is in it', () => {
    const strengths = [1, 0.5, 0.2, 0.05, 0.01];
    const radii = strengths.map(radiusOf);
    expect([...radii].sort((a, b) => b - a)).toEqual(radii);
    strengths.forEach((strength) => expect(strengthFromMiddle(radiusOf(strength))).toBeCloseTo(strength, 9));
    expect([strengthFromMiddle(0), strengthFromMiddle(2)]).toEqual([0.01, 1]);
    // Each halving is the same step inwards.
    expect(radiusOf(0.4) - radiusOf(0.2)).toBeCloseTo(radiusOf(0.1) - radiusOf(0.05), 9);
    const { mixes } = dishLayout(
      setOut,
      strengths.map((s, i) => poured(`m${i}`, s, ['a', 1], ['d', i + 1])),
    );
    mixes.forEach(({ at }, i) => expect(Math.hypot(...at)).toBeCloseTo(radii[i], 9));
  });

  it('brings pigments that are mixed together next to one another: no order is better', () => {
    const pairs = fc.array(fc.tuple(fc.constantFrom(...RIM), fc.constantFrom(...RIM)), {
      minLength: 1,
      maxLength: 3,
    });
    fc.assert(
      fc.property(pairs, (list) => {
        const mixes = list.map(([a, b], i) => poured(`m${i}`, 0.2, [a, 1], [b, 1]));
        const { pigments } = dishLayout(setOut, mixes);
        const place = new Map(pigments.map(({ code }, i) => [code, i]));
        const spread = (order: ReadonlyMap<string, number>): number =>
          list.reduce((sum, [a, b]) => {
            const steps = Math.abs(order.get(a)! - order.get(b)!);
            return sum + Math.min(steps, 6 - steps) ** 2;
          }, 0);
        for (const order of shuffles(RIM)) expect(spread(place)).toBeLessThanOrEqual(spread(order));
      }),
      { numRuns: 12 },
    );
  });

  it('leaves no two mixes lying over one another, and gives the same dish for the same mixes', () => {
    const some = fc.array(
      fc.record({
        one: fc.constantFrom(...RIM),
        other: fc.constantFrom(...RIM),
        parts: fc.integer({ min: 1, max: 5 }),
        strength: fc.double({ min: 0.08, max: 1, noNaN: true }),
      }),
      { maxLength: 9 },
    );
    fc.assert(
      fc.property(some, (list) => {
        const mixes = list.map(({ one, other, parts, strength }, i) =>
          poured(`m${i}`, strength, [one, parts], [other, 1]),
        );
        const dish = dishLayout(setOut, mixes);
        expect(dishLayout(setOut, mixes)).toEqual(dish);
        dish.mixes.forEach(({ at }, i) =>
          dish.mixes
            .slice(i + 1)
            .forEach((other) => expect(away(at, other.at)).toBeGreaterThan(0.9 * WELL_APART)),
        );
      }),
    );
  });
});

function* shuffles(list: readonly string[]): Generator<Map<string, number>> {
  const [first, ...rest] = list;
  function* orders(left: readonly string[]): Generator<string[]> {
    if (left.length === 0) yield [];
    for (const head of left) for (const tail of orders(left.filter((x) => x !== head))) yield [head, ...tail];
  }
  for (const order of orders(rest)) yield new Map([first, ...order].map((code, i) => [code, i]));
}

describe('charts', () => {
  const pure = (at: number, strength: number): Lab =>
    glazeLab(paper, [atReferenceFilm([{ pigment: palette[at], parts: 1 }], strength)]);

  it('mix every pair from the one alone to the other alone, with what becomes of them', () => {
    const rows = mixingChart(paper, palette);
    expect(rows.map(({ one, other }) => `${one} ${other}`)).toHaveLength(6);
    expect(rows[0].labs[0]).toEqual(pure(0, 0.3));
    expect(rows[0].labs.at(-1)).toEqual(pure(1, 0.3));
    const green = rows.find(({ one, other }) => one === 'PY150' && other === 'PB29')!.labs[2];
    expect(hueOf(green)).toBeGreaterThan(100);
    expect(hueOf(green)).toBeLessThan(200);
    // Ultramarine and burnt sienna take one another’s colour.
    expect(rows.at(-1)!.verdict).toBe('neutral');
  });

  it('lay every pigment over every dried one: the upper one leads, and twice the same is darker', () => {
    const rows = glazeChart(paper, palette);
    rows.forEach((row, i) => expect(row[i][0]).toBeLessThan(pure(i, 0.3)[0]));
    expect(deltaE00(rows[0][2], rows[2][0])).toBeGreaterThan(0.05);
    expect(tintChart(paper, palette)[2][0]).toEqual(pure(2, 1));
  });
});

describe('moods', () => {
  const quiet: Mood = { word: 'quiet', light: 0.8, warm: -0.5, strong: 0.2 };
  const glad: Mood = { word: 'Glad day', light: 0.6, warm: 0.9, strong: 0.9 };

  it('are found as whole words, however written', () => {
    expect(moodsIn([quiet, glad], 'A QUIET, wide sky')).toEqual([quiet]);
    expect(moodsIn([quiet, glad], 'unquietly')).toEqual([]);
    expect(moodsIn([quiet, glad], 'a day to be glad')).toEqual([glad]);
    expect(blended([quiet, glad])).toEqual({ light: 0.7, warm: 0.2, strong: 0.55 });
  });

  it('want lighter, warmer and stronger colours where they say so', () => {
    const mean = (labs: readonly Lab[], of: (lab: Lab) => number): number =>
      labs.reduce((sum, lab) => sum + of(lab), 0) / labs.length;
    for (const { id } of SCHEMES) {
      const [one, other] = [coloursFor(quiet, id), coloursFor(glad, id)];
      expect(mean(one, ([l]) => l)).toBeGreaterThan(mean(other, ([l]) => l));
      expect(mean(one, chromaOf)).toBeLessThan(mean(other, chromaOf));
    }
    expect(hueOf(coloursFor(glad, 'near')[1])).toBeLessThan(110);
    expect(hueApart(coloursFor(quiet, 'opposed')[0], coloursFor(quiet, 'opposed')[2])).toBeGreaterThan(170);
  });

  it('give three different palettes, all from the box, their colours mixed near those wanted', () => {
    const box = [
      'PY150',
      'PY3',
      'PR122',
      'PB29',
      'PB15:3',
      'PBr7-burnt-sienna',
      'PBr7-raw-sienna',
      'PO48',
    ].map((code) => pigmentByCode(code));
    const found = done(suggestPalettes(done(boxTable(box, paper)), glad));
    expect(new Set(found.map(({ pigments }) => pigments.map(({ code }) => code).join())).size).toBe(3);
    for (const { pigments, mixes, wanted, meanDeltaE } of found) {
      expect(pigments.every((pigment) => box.includes(pigment))).toBe(true);
      expect(mixes).toHaveLength(wanted.length);
      expect(meanDeltaE).toBeLessThan(15);
    }
  });

  it('a box of two pigments gives what there is', () => {
    const two = done(suggestPalettes(done(boxTable(palette.slice(0, 2), paper)), quiet));
    expect(two.map(({ pigments }) => pigments.length)).toEqual([2, 2, 2]);
  });
});
