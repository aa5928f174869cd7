import { describe, expect, it } from 'vitest';
import { deltaE00, hexOf, labOfHex, type Lab } from '../../kit/colour';
import { paperById } from '../paper';
import {
  atReferenceFilm,
  calibrate,
  contrastRatio,
  glazeLab,
  pigmentByCode,
  PIGMENTS,
  pigmentSchema,
  type Pigment,
  type ReadSwatch,
} from '.';

const paper = paperById('cotton-cold-300');
const film = (pigment: Pigment, strength: number, other?: Pigment) =>
  atReferenceFilm(
    [pigment, ...(other ? [other] : [])].map((p) => ({ pigment: p, parts: 1 })),
    strength,
  );
const painted = (pigment: Pigment, strength: number, other?: Pigment): Lab =>
  glazeLab(paper, [film(pigment, strength, other)]);

/** A swatch of `pigment` as a camera's eight bits give it. */
function read(pigment: Pigment, strength: number, more: Partial<ReadSwatch> = {}): ReadSwatch {
  const lab = labOfHex(hexOf(painted(pigment, strength, more.with)));
  return { strength, lab, ground: 'paper', fromScreen: true, ...more };
}

/** A paint that is not in the library: one of it, moved as makers differ. */
const own = (code: string): Pigment => {
  const pigment = pigmentByCode(code);
  return {
    ...pigment,
    s0: pigment.s0 * 1.5,
    bands: pigment.bands.map(({ t, a, c, w }, i) => ({ t, a: a * (1.3 - 0.2 * i), c: c + 6, w: w * 1.1 })),
  };
};
const CODES = ['PB29', 'PR122', 'PY150', 'PBr7-burnt-sienna', 'PV19-rose'];
const mean = (values: readonly number[]): number => values.reduce((a, b) => a + b, 0) / values.length;

describe('calibration from a masstone and a tint read to eight bits', () => {
  it.each(CODES)('fits another maker’s %s and foretells its other tints and mixes', (code) => {
    const pigment = own(code);
    const fit = calibrate(pigmentByCode(code), paper, [read(pigment, 1), read(pigment, 0.1)]);
    expect(fit.worst).toBeLessThan(0.5);
    const tints = [0.7, 0.4, 0.2, 0.05].map((d) => deltaE00(painted(pigment, d), painted(fit.pigment, d)));
    expect(mean(tints)).toBeLessThan(1.5);
    const mixes = PIGMENTS.filter((other) => other.code !== code && !other.metallic).map((other) =>
      deltaE00(painted(pigment, 0.3, other), painted(fit.pigment, 0.3, other)),
    );
    expect(mean(mixes)).toBeLessThan(3);
    const before = [0.7, 0.4, 0.2, 0.05].map((d) =>
      deltaE00(painted(pigment, d), painted(pigmentByCode(code), d)),
    );
    expect(mean(tints)).toBeLessThan(mean(before));
  });

  it('gives a pigment that a plan can hold, marked as calibrated', () => {
    const like = pigmentByCode('PB29');
    const { pigment } = calibrate(like, paper, [read(own('PB29'), 1), read(own('PB29'), 0.1)]);
    expect(pigmentSchema.parse(pigment)).toMatchObject({ code: 'PB29', revision: 2, origin: 'calibrated' });
    expect(pigment.staining).toBe(like.staining);
  });

  it('learns opacity from a swatch over black', () => {
    const opaque = { ...pigmentByCode('PY42'), s0: pigmentByCode('PY42').s0 * 2.5 };
    const black = film(pigmentByCode('PBk6'), 1);
    const overBlack: ReadSwatch = {
      strength: 1,
      lab: labOfHex(hexOf(glazeLab(paper, [black, film(opaque, 1)]))),
      ground: 'black',
      fromScreen: true,
    };
    const two = [read(opaque, 1), read(opaque, 0.1)];
    const like = pigmentByCode('PY42');
    const missed = (swatches: ReadSwatch[]): number =>
      Math.abs(
        contrastRatio(film(calibrate(like, paper, swatches).pigment, 1)) - contrastRatio(film(opaque, 1)),
      );
    expect(missed([...two, overBlack])).toBeLessThan(0.02);
    expect(missed([...two, overBlack])).toBeLessThanOrEqual(missed(two) + 0.005);
  });
});

describe('a strength that is not known', () => {
  const pigment = own('PR122');
  const known = pigmentByCode('PY150');
  const mixedIn = read(pigment, 0.5, { with: known });

  it('is fitted when a third swatch is mixed with a known pigment', () => {
    const tint = { ...read(pigment, 0.07), strength: null };
    const fit = calibrate(pigmentByCode('PR122'), paper, [read(pigment, 1), tint, mixedIn]);
    expect(fit.strengths[1]).toBeGreaterThan(0.06);
    expect(fit.strengths[1]).toBeLessThan(0.08);
    expect(deltaE00(painted(pigment, 0.3), painted(fit.pigment, 0.3))).toBeLessThan(1.5);
  });

  it('stated wrongly hides in the residual but spoils the tints: which is why it may be left open', () => {
    const wrong = { ...read(pigment, 0.1), strength: 0.17 };
    const fit = calibrate(pigmentByCode('PR122'), paper, [read(pigment, 1), wrong]);
    expect(fit.worst).toBeLessThan(0.6);
    expect(deltaE00(painted(pigment, 0.3), painted(fit.pigment, 0.3))).toBeGreaterThan(2);
  });
});

describe('refusals', () => {
  const like = pigmentByCode('PB29');
  it('of too few swatches, of nothing stated, of a metallic', () => {
    expect(() => calibrate(like, paper, [read(like, 1)])).toThrow(/at least two/);
    const open = { ...read(like, 0.1), strength: null };
    expect(() => calibrate(like, paper, [read(like, 1), open])).toThrow(/third swatch/);
    expect(() => calibrate(like, paper, [open, open, open])).toThrow(/one strength at least/);
    expect(() => calibrate(pigmentByCode('MICA-gold'), paper, [read(like, 1), read(like, 0.1)])).toThrow(
      /metallic/,
    );
  });
});
