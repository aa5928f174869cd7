import { describe, expect, it } from 'vitest';
import { deltaE00, type Lab } from '../../kit/colour';
import { paperById } from '../paper';
import {
  atReferenceFilm,
  glazeLab,
  matchColour,
  mixRatios,
  mixTable,
  pigmentByCode,
  pigmentLoads,
  type Mix,
} from '.';

const paper = paperById('cotton-cold-300');
const laid = (strength: number, ...parts: [string, number][]): Mix =>
  atReferenceFilm(
    parts.map(([code, n]) => ({ pigment: pigmentByCode(code), parts: n })),
    strength,
  );
const over = (...layers: Mix[]): Lab => glazeLab(paper, layers);

describe('a wanted colour', () => {
  const palette = ['PY150', 'PB29', 'PR122'].map((code) => pigmentByCode(code));

  it('is found again when it came from the palette', () => {
    const errors = [
      laid(0.3, ['PB29', 3], ['PY150', 1]),
      laid(0.12, ['PR122', 2], ['PB29', 5]),
      laid(0.6, ['PY150', 4], ['PR122', 1]),
      laid(0.2, ['PY150', 1], ['PB29', 1], ['PR122', 1]),
    ].map((mix) => matchColour({ target: over(mix), palette, paper }).best.deltaE00);
    expect(Math.max(...errors)).toBeLessThan(0.5);
  });

  it('is the best of an exhaustive scan', () => {
    const target: Lab = [62, -6, 30];
    const { best } = matchColour({ target, palette, paper, maxPigments: 2 });
    let least = Infinity;
    for (const { places, parts } of mixRatios(palette.length, 2)) {
      const mixed = places.map((place, i) => ({ pigment: palette[place], parts: parts[i] }));
      for (let log = Math.log(0.02); log <= 0; log += 0.01)
        least = Math.min(least, deltaE00(target, over(atReferenceFilm(mixed, Math.exp(log)))));
    }
    expect(best.deltaE00).toBeLessThan(least + 0.02);
  }, 30_000);

  it('says what is missing when out of reach', () => {
    const { best } = matchColour({ target: [60, -60, 10], palette, paper });
    expect(best.reachable).toBe(false);
    expect(best.missing?.dC).toBeGreaterThan(5);
    expect(best.missing?.words).toMatch(/stronger/);
  });

  it('offers an answer with fewer pigments when it is as good', () => {
    const { best, simple } = matchColour({ target: over(laid(0.3, ['PB29', 1])), palette, paper });
    expect(simple.parts).toHaveLength(1);
    expect(simple.deltaE00).toBeLessThanOrEqual(best.deltaE00 + 0.5);
  });

  it('uses no more pigments than allowed and never more than eight parts', () => {
    const ratios = mixRatios(4, 3);
    for (const { places, parts } of ratios) {
      expect(places.length).toBeLessThanOrEqual(3);
      expect(parts.reduce((sum, n) => sum + n, 0)).toBeLessThanOrEqual(8);
    }
    // 4 alone, 6 pairs of 21, 4 triples of 52 ratios in lowest terms, counted by hand.
    expect(ratios).toHaveLength(4 + 6 * 21 + 4 * 52);
    expect(matchColour({ target: [50, 5, 5], palette, paper, maxPigments: 1 }).best.parts).toHaveLength(1);
  });

  it('scales: twice the film holds twice the pigment of the same mix, by amounts and by light', () => {
    const { parts, strength } = matchColour({ target: [55, 10, -20], palette, paper }).best;
    const once = atReferenceFilm(parts, strength);
    const twice = { ...once, filmUm: 2 * once.filmUm };
    const total = (mix: Mix): number => pigmentLoads(mix).reduce((a, b) => a + b, 0);
    expect(total(twice)).toBeCloseTo(2 * total(once), 12);
    expect(deltaE00(over(twice), over(once, once))).toBeLessThan(1e-9);
    expect(deltaE00(over({ ...once, strength: strength / 2 }), over({ ...once, filmUm: 50 }))).toBeLessThan(
      1e-9,
    );
  });

  it('takes a metallic into account by what it covers', () => {
    const gold = pigmentByCode('MICA-gold');
    const target = over(laid(0.8, ['MICA-gold', 1]));
    expect(matchColour({ target, palette: [...palette, gold], paper }).simple.parts[0].pigment).toBe(gold);
  });
});

it('the mix table reports how far it is as it goes', () => {
  const shares = [
    ...mixTable(
      ['PY150', 'PB29', 'PR122', 'PG7'].map((code) => pigmentByCode(code)),
      paper,
    ),
  ];
  expect(shares.length).toBeGreaterThan(2);
  expect(shares).toEqual([...shares].sort((a, b) => a - b));
  expect(shares.at(-1)!).toBeLessThan(1);
});
