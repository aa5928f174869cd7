import { beforeAll, describe, expect, it } from 'vitest';
import { loadFonts, type FontId, type LetterFont } from '@kettle/core/drawing/lettering';
import { kettleInTheRain } from '../../demo/kettle-in-the-rain';
import { run, setsWords, type RunResult } from './run';

let fonts: ReadonlyMap<FontId, LetterFont>;
beforeAll(async () => {
  fonts = await loadFonts();
});

const ran = (name: string, input: unknown): RunResult =>
  run([name], () => new TextEncoder().encode(JSON.stringify(input)), fonts);

const word = { text: 'Thank you', font: 'serif', capHeightMm: 6, maskLineMm: 0.5, brushTipMm: 0.5 };

interface Legible {
  readonly letters: readonly {
    char: string;
    index: number;
    counterMm: number | null;
    problem: string | null;
  }[];
  readonly cureCapHeightMm: number;
}

describe('legible', () => {
  it('looks at each letter, spaces apart, and tells the height that cures', () => {
    expect(setsWords(['legible'])).toBe(true);
    const { letters, cureCapHeightMm } = JSON.parse(ran('legible', word).out) as Legible;
    expect(letters.map(({ char }) => char).join('')).toBe('Thankyou');
    expect(letters.map(({ index }) => index)).toEqual([0, 1, 2, 3, 4, 6, 7, 8]);
    expect(letters[0].counterMm).toBeNull();
    expect(letters[2].counterMm).toBeGreaterThan(0.5);
    expect(letters.some(({ problem }) => problem === 'stroke-too-fine')).toBe(true);
    const cured = JSON.parse(ran('legible', { ...word, capHeightMm: cureCapHeightMm }).out) as Legible;
    expect(cured.letters.every(({ problem }) => problem === null)).toBe(true);
    expect(cured.cureCapHeightMm).toBe(cureCapHeightMm);
  });

  it.each([
    [{ ...word, font: 'other' }, /^font: .*flowing.*bold/],
    [{ ...word, capHeightMm: 0 }, /^capHeightMm: /],
    [{ ...word, brushTipMm: -1 }, /^brushTipMm: /],
    [{ ...word, text: '' }, /^text: /],
    [{ ...word, wax: 1 }, /^wax: unknown key/],
  ])('refuses %o', (input, says) => {
    const { code, err, out } = ran('legible', input);
    expect([code, out]).toEqual([2, '']);
    expect(err).toMatch(says);
  });
});

describe('whites', () => {
  it('ranks six ways for each white of a plan, the best first, with reasons and numbers', () => {
    const { whites } = JSON.parse(ran('whites', kettleInTheRain()).out) as {
      whites: { id: string; ways: { way: string; score: number; reasons: string[]; numbers: object }[] }[];
    };
    expect(whites.map(({ id }) => id)).toEqual(['white-kettle', 'white-steam']);
    for (const { ways } of whites) {
      expect(new Set(ways.map(({ way }) => way)).size).toBe(6);
      const scores = ways.map(({ score }) => score);
      expect(scores).toEqual([...scores].sort((a, b) => b - a));
      expect(
        ways.every(({ reasons, numbers }) => reasons.length > 0 && Object.keys(numbers).length > 0),
      ).toBe(true);
    }
    expect(whites[1].ways[0].way).toBe('mask');
  });
});
