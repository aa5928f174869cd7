import { describe, expect, it } from 'vitest';
import {
  BAND_COUNT,
  chromaOf,
  colourGap,
  deltaE00,
  gapInWords,
  hexOf,
  labOf,
  labOfHex,
  sampleSpectrum,
  xyzOf,
  type Lab,
} from '.';
import { SHARMA_PAIRS } from './sharma-pairs.testdata';

describe('daylight and the eye', () => {
  it('sees the perfect reflector as exactly white', () => {
    const white = sampleSpectrum(() => 1);
    expect(xyzOf(white).y).toBeCloseTo(1, 12);
    expect(hexOf(labOf(white))).toBe('#ffffff');
    expect(labOf(white)[0]).toBeCloseTo(100, 10);
    expect(chromaOf(labOf(white))).toBeLessThan(1e-9);
  });

  it('sees an even grey as neutral at its lightness', () => {
    const [L, a, b] = labOf(sampleSpectrum(() => 0.184186));
    expect(L).toBeCloseTo(50, 2);
    expect(Math.hypot(a, b)).toBeLessThan(1e-9);
    expect(BAND_COUNT).toBe(36);
  });
});

describe('colour difference', () => {
  it('agrees with the 34 published pairs to 1e-4', () => {
    expect(SHARMA_PAIRS).toHaveLength(34);
    for (const [one, other, published] of SHARMA_PAIRS) {
      expect(deltaE00(one, other)).toBeCloseTo(published, 4);
      expect(deltaE00(other, one)).toBeCloseTo(published, 4);
    }
  });
});

describe('on the screen', () => {
  it('comes back from hex unchanged', () => {
    for (const hex of ['#7f9fc8', '#000000', '#c0392b', '#fdfdfc']) expect(hexOf(labOfHex(hex))).toBe(hex);
  });

  it('keeps lightness and hue of a colour no screen can show', () => {
    const outside: Lab = [60, 80, 90];
    const [L] = labOfHex(hexOf(outside));
    expect(Math.abs(L - 60)).toBeLessThan(3);
  });

  it.each(['', '#12345', 'red', '#gg0000'])('refuses “%s”', (text) =>
    expect(() => labOfHex(text)).toThrow(/#rrggbb/),
  );
});

describe('what is missing, in words', () => {
  it('says the direction', () => {
    const wanted: Lab = [60, 50, 20];
    const gap = colourGap([50, 20, 20], wanted);
    expect(gap.dL).toBe(10);
    expect(gap.dC).toBeGreaterThan(0);
    expect(gap.dh).toBeLessThan(0);
    expect(gapInWords(gap, wanted)).toBe('lighter, stronger, further towards red');
  });

  it('turns hue the short way round', () =>
    expect(Math.abs(colourGap([50, 50, 5], [50, 50, -5]).dh)).toBeLessThan(15));
});
