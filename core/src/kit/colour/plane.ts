import { D65_WHITE } from './observer';
import { putPixel, XYZ_TO_SRGB } from './screen';

/** κ and ε of L*a*b* (CIE 15:2018). */
const KAPPA = 24_389 / 27;
const EPSILON = 216 / 24_389;

const inverse = (f: number): number => (f ** 3 > EPSILON ? f ** 3 : (116 * f - 16) / KAPPA);

/**
 * All colours of one lightness as a square picture, `size` × `size` pixels, RGBA: a* from −`reach` at the left to `reach`
 * at the right, b* from `reach` at the top down. What a screen cannot show is shown as strong as it can.
 */
export function labPlane(lightness: number, size: number, reach: number): Uint8ClampedArray {
  const rgba = new Uint8ClampedArray(4 * size * size);
  const fy = (lightness + 16) / 116;
  const y = inverse(fy) * D65_WHITE.y;
  for (let row = 0; row < size; row++)
    for (let column = 0; column < size; column++) {
      const a = reach * ((2 * (column + 0.5)) / size - 1);
      const b = reach * (1 - (2 * (row + 0.5)) / size);
      const x = inverse(fy + a / 500) * D65_WHITE.x;
      const z = inverse(fy - b / 200) * D65_WHITE.z;
      const [red, green, blue] = XYZ_TO_SRGB.map((line) => line[0] * x + line[1] * y + line[2] * z);
      putPixel(red, green, blue, rgba, 4 * (row * size + column));
    }
  return rgba;
}
