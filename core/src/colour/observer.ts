import table from './data/observer.json';
import { BAND_COUNT, type Spectrum } from './spectrum';

/** CIE XYZ tristimulus values, Y of the perfect reflector = 1. */
export interface Xyz {
  readonly x: number;
  readonly y: number;
  readonly z: number;
}

/** D65 white point of the 2° observer (CIE 15:2004), as the colour library assumes it. */
export const D65_WHITE: Xyz = { x: 0.3127 / 0.329, y: 1, z: (1 - 0.3127 - 0.329) / 0.329 };

/**
 * Weights from reflectance to XYZ under D65, CIE 1931 2° observer. Ten-nanometre sums miss the
 * published white by some 1e-4, so X and Z are scaled until the perfect reflector is exactly white.
 */
const WEIGHTS = {
  x: weights(table.xBar, D65_WHITE.x),
  y: weights(table.yBar, D65_WHITE.y),
  z: weights(table.zBar, D65_WHITE.z),
};

function weights(matching: readonly number[], white: number): Float64Array {
  const raw = Float64Array.from(matching, (value, band) => value * table.d65[band]);
  const sum = raw.reduce((a, b) => a + b, 0);
  return raw.map((value) => (value / sum) * white);
}

/** XYZ of a reflectance under D65 (CIE 15:2004, eq. 7.1). */
export function xyzOf(reflectance: Spectrum): Xyz {
  let x = 0;
  let y = 0;
  let z = 0;
  for (let band = 0; band < BAND_COUNT; band++) {
    const r = reflectance[band];
    x += WEIGHTS.x[band] * r;
    y += WEIGHTS.y[band] * r;
    z += WEIGHTS.z[band] * r;
  }
  return { x, y, z };
}
