import { D65_WHITE, xyzOf, type Xyz } from './observer';
import type { Spectrum } from './spectrum';

/** CIE L*a*b* against D65: lightness 0…100, a* green–red, b* blue–yellow. */
export type Lab = readonly [L: number, a: number, b: number];

/** CIE 1976 break between the cube root and the linear part (CIE 15:2004, 8.2.1). */
const EPSILON = (6 / 29) ** 3;
const KAPPA = (29 / 3) ** 3;

const lightness = (ratio: number): number =>
  ratio > EPSILON ? Math.cbrt(ratio) : (KAPPA * ratio + 16) / 116;

/** L*a*b* of XYZ (CIE 15:2004, eq. 8.3–8.5), never clipped to a screen. */
export function labOfXyz({ x, y, z }: Xyz): Lab {
  const fx = lightness(x / D65_WHITE.x);
  const fy = lightness(y / D65_WHITE.y);
  const fz = lightness(z / D65_WHITE.z);
  return [116 * fy - 16, 500 * (fx - fy), 200 * (fy - fz)];
}

/** L*a*b* of a reflectance in daylight. */
export const labOf = (reflectance: Spectrum): Lab => labOfXyz(xyzOf(reflectance));

/** Chroma C*: how far the colour is from grey. */
export const chromaOf = ([, a, b]: Lab): number => Math.hypot(a, b);

/** Hue angle h in degrees, 0 ≤ h < 360. */
export function hueOf([, a, b]: Lab): number {
  const degrees = (Math.atan2(b, a) * 180) / Math.PI;
  return degrees < 0 ? degrees + 360 : degrees;
}
