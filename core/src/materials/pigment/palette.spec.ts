import { describe, expect, it } from 'vitest';
import { type Lab } from '../../kit/colour';
import { paperById } from '../paper';
import { done } from '../../kit/units';
import {
  atReferenceFilm,
  boxTable,
  choicesOf,
  choosePaletteFrom,
  COLOUR_ALONE,
  glazeLab,
  matchColour,
  pigmentByCode,
  PIGMENTS,
  type Pigment,
} from '.';
import { boxCosts } from './box-table';
import { enumeratePalettes, swapPalettes } from './palette-search';
import { placeOfPair, placeOfTriple } from './ratios';

const paper = paperById('cotton-cold-300');
const byCode = (...codes: string[]): Pigment[] => codes.map((code) => pigmentByCode(code));
const mixed = (strength: number, ...parts: [string, number][]): Lab =>
  glazeLab(paper, [
    atReferenceFilm(
      parts.map(([code, n]) => ({ pigment: pigmentByCode(code), parts: n })),
      strength,
    ),
  ]);

const box = byCode('PY3', 'PY42', 'PY150', 'PR122', 'PR254', 'PB29', 'PB15:3', 'PG7');
const targets: Lab[] = [
  mixed(0.3, ['PY150', 2], ['PB29', 1]),
  mixed(0.2, ['PR122', 1], ['PB29', 2]),
  mixed(0.6, ['PY150', 3], ['PR122', 1]),
  mixed(0.1, ['PB29', 1]),
];

/** Mean ΔE of a palette by the mix search itself, which the choice must agree with. */
const meanOf = (palette: readonly Pigment[]): number =>
  targets.reduce((sum, target) => sum + matchColour({ target, palette, paper }).best.deltaE00, 0) /
  targets.length;

describe('places of choices', () => {
  it('count on as the choices are listed', () => {
    choicesOf(9, 2).forEach(([a, b], i) => expect(placeOfPair(b, a)).toBe(i));
    choicesOf(9, 3).forEach(([a, b, c], i) => expect(placeOfTriple(c, a, b)).toBe(i));
  });
});

describe('choosing a palette', () => {
  it('finds the pigments the wanted colours were mixed from', () => {
    const { pigments, meanDeltaE, exact } = choosePaletteFrom(box, paper, { targets, size: 3 });
    expect(pigments.map(({ code }) => code)).toEqual(['PY150', 'PR122', 'PB29']);
    expect(meanDeltaE).toBeLessThan(0.3);
    expect(exact).toBe(true);
  });

  it.each([1, 2])('of %d is the best of all, each palette matched by itself', (size) => {
    const least = Math.min(...choicesOf(box.length, size).map((places) => meanOf(places.map((i) => box[i]))));
    const { meanDeltaE, pigments } = choosePaletteFrom(box, paper, { targets, size });
    expect(meanDeltaE).toBeCloseTo(least, 9);
    expect(meanOf(pigments)).toBeCloseTo(least, 9);
  });

  it('gives a mix for every wanted colour, in order', () => {
    const { mixes, meanDeltaE, maxDeltaE } = choosePaletteFrom(box, paper, { targets, size: 2 });
    const misses = mixes.map(({ deltaE00 }) => deltaE00);
    expect(mixes).toHaveLength(targets.length);
    expect(Math.max(...misses)).toBe(maxDeltaE);
    expect(misses.reduce((a, b) => a + b, 0) / misses.length).toBeCloseTo(meanDeltaE, 12);
  });

  it('keeps what is to be kept', () => {
    const { pigments } = choosePaletteFrom(box, paper, { targets, size: 3, keep: ['PG7'] });
    expect(pigments.map(({ code }) => code)).toContain('PG7');
    expect(pigments).toHaveLength(3);
    const all = choosePaletteFrom(box, paper, { targets, size: 2, keep: ['PG7', 'PY3'] });
    expect(all.pigments.map(({ code }) => code)).toEqual(['PY3', 'PG7']);
  });

  it('takes the owned, the lasting and the harmless when colour hardly suffers', () => {
    const owned = new Set(box.map(({ code }) => code).filter((code) => code !== 'PR122'));
    const terms = { ...COLOUR_ALONE, owned, toBuy: 50 };
    const { pigments } = choosePaletteFrom(box, paper, { targets, size: 3, terms });
    expect(pigments.every(({ code }) => owned.has(code))).toBe(true);
    const rose = byCode('PR83', 'PV19-rose', 'PR122');
    const wanted = { targets: [mixed(0.3, ['PR83', 1])], size: 1 };
    expect(choosePaletteFrom(rose, paper, wanted).pigments[0].code).toBe('PR83');
    const lasting = choosePaletteFrom(rose, paper, { ...wanted, terms: { ...COLOUR_ALONE, fugitive: 50 } });
    expect(lasting.pigments[0].code).not.toBe('PR83');
    const yellow = byCode('PY35', 'PY154');
    const safe = { targets: [mixed(0.3, ['PY35', 1])], size: 1, terms: { ...COLOUR_ALONE, hazard: 50 } };
    expect(choosePaletteFrom(yellow, paper, safe).pigments[0].code).toBe('PY154');
  });

  it('by swaps finds what comparing all finds, or nearly', () => {
    const table = done(boxTable(PIGMENTS.slice(0, 14), paper));
    const wanted = [...targets, mixed(0.5, ['PY42', 1]), mixed(0.3, ['PO62', 1])];
    for (const free of [2, 3, 4, 5]) {
      const task = {
        size: 14,
        kept: [3],
        free,
        wanted: wanted.length,
        costs: done(boxCosts(table, wanted)),
        extra: new Array<number>(14).fill(0),
      };
      const [all, swapped] = [enumeratePalettes(task, 3), swapPalettes(task, 3)];
      expect(swapped[0].score).toBeGreaterThanOrEqual(all[0].score - 1e-6);
      expect(swapped[0].score).toBeLessThan(1.05 * all[0].score + 0.02);
      expect(swapped[0].places).toContain(3);
    }
  });

  it('refuses a box too small and pigments it does not hold', () => {
    expect(() => choosePaletteFrom(box, paper, { targets, size: 9 })).toThrow(/size: 9 pigments/);
    expect(() => choosePaletteFrom(box, paper, { targets, size: 1, keep: ['PY3', 'PG7'] })).toThrow(
      /keep: 2/,
    );
    expect(() => choosePaletteFrom(box, paper, { targets, size: 2, keep: ['PB28'] })).toThrow(
      /“PB28” is not/,
    );
  });
});
