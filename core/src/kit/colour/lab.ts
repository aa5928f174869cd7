import { convertXyz65ToLab65 } from 'culori/fn';
import type { Light } from './light';
import { xyzOf, type Xyz } from './observer';
import type { Spectrum } from './spectrum';

/** CIE L*a*b* against D65: lightness 0…100, a* green–red, b* blue–yellow. */
export type Lab = readonly [L: number, a: number, b: number];

/** L*a*b* of XYZ (CIE 15:2004, eq. 8.3–8.5), never clipped to a screen. */
export function labOfXyz({ x, y, z }: Xyz): Lab {
  const { l, a, b } = convertXyz65ToLab65({ x, y, z });
  return [l, a, b];
}

/** L*a*b* of a reflectance in daylight, or as it looks to an eye used to another lamp. */
export const labOf = (reflectance: Spectrum, light: Light = 'D65'): Lab =>
  labOfXyz(xyzOf(reflectance, light));

/** Chroma C*: how far the colour is from grey. */
export const chromaOf = ([, a, b]: Lab): number => Math.hypot(a, b);

/** Hue angle h in degrees, 0 ≤ h < 360. */
export function hueOf([, a, b]: Lab): number {
  const degrees = (Math.atan2(b, a) * 180) / Math.PI;
  return degrees < 0 ? degrees + 360 : degrees;
}

/** The angle between two hues, degrees, 0…180. */
export function hueApart(one: Lab, other: Lab): number {
  const turn = Math.abs(hueOf(one) - hueOf(other));
  return turn > 180 ? 360 - turn : turn;
}
