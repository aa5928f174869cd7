import { convertLab65ToXyz65 } from 'culori/fn';
import type { Lab } from './lab';
import { xyzWeights } from './observer';
import { sampleSpectrum, type Spectrum } from './spectrum';

/** Where the blue third of the spectrum passes into the green, and the green into the red, and how softly, nm. */
const PASSES = { blueGreen: 495, greenRed: 580, width: 14 };

const risen = (nm: number, at: number): number => 1 / (1 + Math.exp((at - nm) / PASSES.width));

/** Three broad overlapping lights that add up to one everywhere, so that a spectrum built of them stays in their range. */
const THIRDS: readonly [Spectrum, Spectrum, Spectrum] = [
  sampleSpectrum((nm) => 1 - risen(nm, PASSES.blueGreen)),
  sampleSpectrum((nm) => risen(nm, PASSES.blueGreen) - risen(nm, PASSES.greenRed)),
  sampleSpectrum((nm) => risen(nm, PASSES.greenRed)),
];

/**
 * A smooth reflectance of a given colour in daylight, for materials of which only the colour is known
 * (after Smits 1999: a few broad bells). One of many that look alike, so under other lamps it is a guess.
 */
export function smoothReflectance([l, a, b]: Lab): Spectrum {
  const { x, y, z } = convertLab65ToXyz65({ l, a, b });
  const shares = solve3(
    xyzWeights().map((weights) =>
      THIRDS.map((third) => third.reduce((sum, r, band) => sum + r * weights[band], 0)),
    ),
    [x, y, z],
  );
  return THIRDS[0].map((_, band) => THIRDS.reduce((sum, third, i) => sum + third[band] * shares[i], 0));
}

/** Three linear equations by Cramer's rule. */
function solve3(m: readonly (readonly number[])[], right: readonly number[]): number[] {
  const det = ([p, q, r]: readonly (readonly number[])[]): number =>
    p[0] * (q[1] * r[2] - q[2] * r[1]) -
    p[1] * (q[0] * r[2] - q[2] * r[0]) +
    p[2] * (q[0] * r[1] - q[1] * r[0]);
  const whole = det(m);
  return [0, 1, 2].map(
    (column) => det(m.map((row, i) => row.map((value, j) => (j === column ? right[i] : value)))) / whole,
  );
}
