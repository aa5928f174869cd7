import { describe, expect, it } from 'vitest';
import table from './data/observer.json';
import {
  D65_WHITE,
  deltaE00,
  labOf,
  LIGHTS,
  sampleSpectrum,
  smoothReflectance,
  spectralPower,
  xyzOf,
} from '.';

/** Chromaticity x, y of a lamp by the 2° observer. */
function chromaticity(power: Float64Array): [x: number, y: number] {
  const sum = (bar: readonly number[]): number =>
    bar.reduce((total, value, band) => total + value * power[band], 0);
  const [x, y, z] = [sum(table.xBar), sum(table.yBar), sum(table.zBar)];
  return [x / (x + y + z), y / (x + y + z)];
}

describe('lamps', () => {
  it.each([
    // CIE 15:2004 for D65 and A, CIE 15:2018 for LED-B3; ours is sampled to 10 nm, the LED constructed.
    ['D65', 0.3127, 0.329],
    ['warm', 0.44758, 0.40745],
    ['led', 0.3756, 0.3723],
  ] as const)('%s has its published chromaticity', (light, x, y) => {
    const [ownX, ownY] = chromaticity(spectralPower(light));
    expect(Math.abs(ownX - x)).toBeLessThan(0.002);
    expect(Math.abs(ownY - y)).toBeLessThan(0.002);
  });

  it('leave white white and grey grey to an eye used to them', () => {
    const white = sampleSpectrum(() => 1);
    const grey = sampleSpectrum(() => 0.2);
    for (const light of LIGHTS) {
      expect(xyzOf(white, light).x).toBeCloseTo(D65_WHITE.x, 9);
      expect(xyzOf(white, light).z).toBeCloseTo(D65_WHITE.z, 9);
      expect(deltaE00(labOf(grey, light), labOf(grey))).toBeLessThan(1e-6);
    }
  });

  it('part a metameric pair that daylight matches', () => {
    const smooth = smoothReflectance([60, 10, 30]);
    const [wx, wy, wz] = [table.xBar, table.yBar, table.zBar].map((bar) =>
      bar.map((v, i) => v * table.d65[i]),
    );
    // A change that daylight does not see: orthogonal to its three weights (Gram–Schmidt).
    const change = sampleSpectrum((nm) => Math.sin(nm / 17) * 0.1);
    const basis: number[][] = [];
    for (const weights of [wx, wy, wz]) {
      let rest = [...weights];
      for (const b of basis) {
        const along = rest.reduce((sum, v, i) => sum + v * b[i], 0);
        rest = rest.map((v, i) => v - along * b[i]);
      }
      const length = Math.hypot(...rest);
      basis.push(rest.map((v) => v / length));
    }
    let unseen = [...change];
    for (const b of basis) {
      const along = unseen.reduce((sum, v, i) => sum + v * b[i], 0);
      unseen = unseen.map((v, i) => v - along * b[i]);
    }
    const twin = smooth.map((r, i) => r + unseen[i]);
    expect(deltaE00(labOf(twin), labOf(smooth))).toBeLessThan(0.01);
    expect(deltaE00(labOf(twin, 'led'), labOf(smooth, 'led'))).toBeGreaterThan(0.5);
  });
});

describe('a smooth reflectance', () => {
  it('has the colour it was made for and stays possible', () => {
    for (const lab of [
      [78, 8, 45],
      [48, 8, 28],
      [97, -1, 1],
      [86, 0, 2],
      [50, 0, 0],
    ] as const) {
      const spectrum = smoothReflectance(lab);
      expect(deltaE00(labOf(spectrum), lab)).toBeLessThan(1e-6);
      expect(Math.min(...spectrum)).toBeGreaterThan(0);
      expect(Math.max(...spectrum)).toBeLessThan(1);
    }
  });
});
