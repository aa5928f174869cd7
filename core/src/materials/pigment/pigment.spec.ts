import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { chromaOf, deltaE00, hueOf, labOf, type Lab } from '../../kit/colour';
import { paperById, paperReflectance } from '../paper';
import published from './data/pigments.json';
import {
  atReferenceFilm,
  glazeLab,
  glazeReflectance,
  infiniteLayer,
  interfaceAt,
  internalOf,
  layerLight,
  mixRatios,
  overGround,
  pigmentByCode,
  pigmentLoads,
  PIGMENTS,
  seenThrough,
  stackLayers,
  waterPerPaint,
  type Mix,
} from '.';

const paper = paperById('cotton-cold-300');
const laid = (strength: number, ...parts: [string, number][]): Mix => ({
  parts: parts.map(([code, n]) => ({ pigment: pigmentByCode(code), parts: n })),
  strength,
  filmUm: 100,
});
const over = (...layers: Mix[]): Lab => glazeLab(paper, layers);
const STRENGTHS = [1, 0.5, 0.25, 0.1, 0.05];
const painted = PIGMENTS.filter((p) => !p.metallic);
const coloured = painted.filter((p) => p.family !== 'white');

const load = fc.double({ min: 0, max: 30, noNaN: true });

describe('one layer', () => {
  it('never sends back more light than it gets', () => {
    fc.assert(
      fc.property(load, load, (kx, sx) => {
        const { r, t } = layerLight(kx, sx);
        expect(r).toBeGreaterThanOrEqual(0);
        expect(t).toBeGreaterThanOrEqual(0);
        expect(r + t).toBeLessThanOrEqual(1 + 1e-9);
      }),
    );
  });

  it('loses nothing when nothing absorbs', () => {
    for (const sx of [0, 1e-12, 1e-6, 0.3, 20]) {
      const { r, t } = layerLight(0, sx);
      expect(Math.abs(r + t - 1)).toBeLessThan(1e-9);
    }
  });

  it('does not overflow when thick, and comes to the infinite layer', () => {
    for (const ratio of [0.001, 0.1, 1, 10])
      expect(Math.abs(layerLight(1e5 * ratio, 1e5).r - infiniteLayer(ratio))).toBeLessThan(1e-9);
  });

  it('is the same whole or split, at any height and in any grouping, however little it absorbs', () => {
    const share = fc.double({ min: 0.05, max: 0.95, noNaN: true });
    const traces = fc.integer({ min: -20, max: -4 }).map((power) => 10 ** power);
    fc.assert(
      fc.property(fc.oneof(load, traces), fc.oneof(load, traces), share, (kx, sx, share) => {
        const whole = layerLight(kx, sx);
        const top = layerLight(kx * share, sx * share);
        const foot = layerLight(kx * (1 - share), sx * (1 - share));
        const split = stackLayers(top, foot);
        expect(Math.abs(split.r - whole.r)).toBeLessThan(1e-12);
        expect(Math.abs(split.t - whole.t)).toBeLessThan(1e-12);
        expect(Math.abs(overGround(top, overGround(foot, 0.4)) - overGround(split, 0.4))).toBeLessThan(1e-12);
      }),
    );
  });
});

describe('the surface', () => {
  it('is taken off as it is put on', () => {
    for (const wetness of [0, 0.3, 1])
      for (const seen of [0.05, 0.4, 0.9]) {
        const at = interfaceAt(wetness);
        expect(seenThrough(at, internalOf(at, seen))).toBeCloseTo(seen, 12);
      }
  });

  it('leaves bare dry paper as it was measured', () => {
    const bare = glazeReflectance(paper, []);
    paperReflectance(paper.white).forEach((r, band) => expect(bare[band]).toBeCloseTo(r, 12));
  });

  it('darkens bare paper by about 3 L* when wet', () => {
    const fall = glazeLab(paper, [])[0] - glazeLab(paper, [], 1)[0];
    expect(fall).toBeGreaterThan(1.5);
    expect(fall).toBeLessThan(4.5);
  });
});

describe('the 44 pigments', () => {
  it('look as their cards say, masstone and tint', () => {
    expect(painted).toHaveLength(44);
    for (const { code, masstoneLab, tintLab } of published.pigments) {
      expect(deltaE00(over(laid(1, [code, 1])), masstoneLab as unknown as Lab), code).toBeLessThan(0.15);
      expect(deltaE00(over(laid(0.1, [code, 1])), tintLab as unknown as Lab), code).toBeLessThan(0.15);
    }
  });

  it('darken as more is laid', () => {
    for (const { code } of coloured)
      STRENGTHS.slice(1).forEach((strength, i) =>
        expect(over(laid(strength, [code, 1]))[0], code).toBeGreaterThan(
          over(laid(STRENGTHS[i], [code, 1]))[0],
        ),
      );
  });

  it('are darker wet, and nearly all more chromatic', () => {
    let stronger = 0;
    const gains: number[] = [];
    for (const { code } of painted)
      for (const strength of STRENGTHS) {
        const wet = glazeLab(paper, [laid(strength, [code, 1])], 1);
        const dry = over(laid(strength, [code, 1]));
        expect(wet[0], `${code} at ${strength}`).toBeLessThan(dry[0]);
        gains.push((dry[0] - wet[0]) / (100 - wet[0]));
        if (chromaOf(wet) > chromaOf(dry)) stronger++;
      }
    expect(stronger / gains.length).toBeGreaterThanOrEqual(0.95);
    gains.sort((a, b) => a - b);
    expect(gains[Math.floor(gains.length / 2)]).toBeGreaterThan(0.12);
    expect(gains[Math.floor(gains.length / 2)]).toBeLessThan(0.22);
  });

  it('refuses unknown and ambiguous codes with the choices', () => {
    expect(() => pigmentByCode('PX99')).toThrow(/unknown pigment “PX99”; known: PY3, PY35/);
    expect(() => pigmentByCode('PBr7')).toThrow(/ambiguous; choose PBr7-raw-sienna, PBr7-burnt-sienna/);
  });
});

describe('mixes painters know', () => {
  it('lemon and phthalo blue make a clear green', () => {
    const lab = over(laid(0.3, ['PY3', 1], ['PB15:3', 1]));
    expect(chromaOf(lab)).toBeGreaterThan(35);
    expect(hueOf(lab)).toBeGreaterThan(130);
    expect(hueOf(lab)).toBeLessThan(185);
  });

  it('ultramarine and burnt sienna pass through grey', () => {
    const path = Array.from({ length: 31 }, (_, i) =>
      over(laid(0.15, ['PB29', 31 - i], ['PBr7-burnt-sienna', i + 1])),
    );
    const crossing = path.findIndex((lab) => lab[2] > 0);
    expect(crossing).toBeGreaterThan(0);
    expect(chromaOf(path[crossing])).toBeLessThan(10);
  });

  it('nickel azo yellow turns in hue from masstone to tint', () =>
    expect(
      Math.abs(hueOf(over(laid(1, ['PY150', 1]))) - hueOf(over(laid(0.1, ['PY150', 1])))),
    ).toBeGreaterThanOrEqual(12));

  it('phthalo blue graded over yellow passes through green', () => {
    const hues = [0.02, 0.05, 0.1, 0.2].map((s) =>
      hueOf(over(laid(0.3, ['PY154', 1]), laid(s, ['PB15:3', 1]))),
    );
    expect(hues.some((hue) => hue > 120 && hue < 185)).toBe(true);
  });

  it('a triad reaches green, orange and violet', () => {
    const triad = ['PB29', 'PY150', 'PR122'].map((code) => pigmentByCode(code));
    const reached = mixRatios(3, 2).flatMap(({ places, parts }) =>
      [0.3, 0.5, 0.8].map((strength) =>
        over(
          atReferenceFilm(
            places.map((place, i) => ({ pigment: triad[place], parts: parts[i] })),
            strength,
          ),
        ),
      ),
    );
    const has = (low: number, high: number, chroma: number): boolean =>
      reached.some(
        (lab) =>
          lab[0] >= 35 && lab[0] <= 65 && hueOf(lab) >= low && hueOf(lab) <= high && chromaOf(lab) >= chroma,
      );
    expect(has(115, 150, 20)).toBe(true);
    expect(has(45, 75, 50)).toBe(true);
    expect(has(300, 335, 40)).toBe(true);
  });
});

describe('glazes', () => {
  it('titanium white covers black', () => {
    const black = laid(1, ['PBk6', 1]);
    expect(over(black, laid(1, ['PW6', 1]))[0] - over(black)[0]).toBeGreaterThan(40);
  });

  it('order matters for opaque over dark, hardly for a transparent pair', () => {
    const opaque = laid(1, ['PR108', 1]);
    const dark = laid(1, ['PB60', 1]);
    expect(deltaE00(over(dark, opaque), over(opaque, dark))).toBeGreaterThan(20);
    const [rose, yellow] = [laid(0.2, ['PV19-rose', 1]), laid(0.2, ['PY154', 1])];
    expect(deltaE00(over(rose, yellow), over(yellow, rose))).toBeLessThan(6);
  });

  it('agrees to 1e-12 on grouping: two thin layers are one of twice the load', () => {
    const half: Mix = { ...laid(0.2, ['PB29', 1]), filmUm: 50 };
    expect(deltaE00(over(half, half), over(laid(0.2, ['PB29', 1])))).toBeLessThan(1e-9);
  });
});

describe('amounts', () => {
  it('scale with film and strength', () => {
    const mix = laid(0.2, ['PB29', 3], ['PY150', 1]);
    expect(pigmentLoads(mix)).toEqual([
      expect.closeTo(0.2 * 7 * 0.75, 12),
      expect.closeTo(0.2 * 4 * 0.25, 12),
    ]);
    const twice = pigmentLoads({ ...mix, filmUm: 200 });
    pigmentLoads(mix).forEach((load, i) => expect(twice[i]).toBeCloseTo(2 * load, 12));
    expect(waterPerPaint(0.1)).toBeCloseTo(9, 12);
    expect(waterPerPaint(1)).toBe(0);
  });
});

it('paper whites are the constructed ones of the data file', () => {
  const [top, drop, edge, width, slope] = published.papers.natural;
  const at550 = top * (1 - drop / (1 + Math.exp((550 - edge) / width))) + (slope * (550 - 550)) / 180;
  expect(paperReflectance('natural')[17]).toBeCloseTo(at550, 12);
  expect(labOf(paperReflectance('warm'))[2]).toBeGreaterThan(labOf(paperReflectance('cool'))[2]);
});
