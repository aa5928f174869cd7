/**
 * From linear light to the bytes of a screen, without allocation, for pictures of the panel; `hexOf` says the
 * same of a single colour. Chroma outside sRGB is reduced along OKLCh.
 */

/** XYZ (D65) to linear sRGB (IEC 61966-2-1), row by row. */
export const XYZ_TO_SRGB = [
  [3.2409699419045226, -1.5373831775700939, -0.4986107602930034],
  [-0.9692436362808796, 1.8759675015077204, 0.0415550574071756],
  [0.0556300796969936, -0.2039769588889765, 1.0569715142428784],
] as const;

/** Linear sRGB to OKLab's cone responses before the cube root, their roots to lightness, and responses back (Ottosson 2020). */
export const SRGB_TO_CONES = [
  [0.412221469470763, 0.5363325372617348, 0.0514459932675022],
  [0.2119034958178252, 0.6806995506452344, 0.1073969535369406],
  [0.0883024591900564, 0.2817188391361215, 0.6299787016738222],
] as const;
export const CONE_ROOTS_TO_LIGHTNESS = [0.210454268309314, 0.7936177747023054, -0.0040720430116193] as const;
export const CONES_TO_SRGB = [
  [4.0767416360759574, -3.3077115392580616, 0.2309699031821044],
  [-1.2684379732850317, 2.6097573492876887, -0.3413193760026573],
  [-0.0041960761386756, -0.7034186179359362, 1.7076146940746117],
] as const;

/** Steps of the table from light to bytes; it is entered by the square root, which spreads the darks. */
export const BYTE_STEPS = 4096;

/** Light over the edge of the screen by less than this is rounding, not colour. */
export const SCREEN_EDGE = 1e-4;

/** Halvings of chroma until it fits: to a four-thousandth of it, less than a byte. */
export const CHROMA_HALVINGS = 12;

/** Bytes of a linear value, entered at √value · 4095 (IEC 61966-2-1). */
export const BYTE_OF_LIGHT: Uint8Array = Uint8Array.from({ length: BYTE_STEPS }, (_, step) => {
  const light = (step / (BYTE_STEPS - 1)) ** 2;
  return Math.round(255 * (light <= 0.0031308 ? 12.92 * light : 1.055 * light ** (1 / 2.4) - 0.055));
});

/** Linear light of each byte (IEC 61966-2-1). */
export const LIGHT_OF_BYTE: Float64Array = Float64Array.from({ length: 256 }, (_, byte) => {
  const value = byte / 255;
  return value <= 0.04045 ? value / 12.92 : ((value + 0.055) / 1.055) ** 2.4;
});

const fits = (r: number, g: number, b: number): boolean =>
  Math.min(r, g, b) >= -SCREEN_EDGE && Math.max(r, g, b) <= 1 + SCREEN_EDGE;

/** The byte of the screen (IEC 61966-2-1) that shows so much linear light, 0…1. */
export const byteOfLight = (light: number): number =>
  BYTE_OF_LIGHT[Math.floor(Math.sqrt(Math.min(1, Math.max(0, light))) * (BYTE_STEPS - 1) + 0.5)];

const cube = (x: number): number => x * x * x;

const times = (row: readonly [number, number, number], x: number, y: number, z: number): number =>
  row[0] * x + row[1] * y + row[2] * z;

/** Writes the pixel of a linear sRGB colour, opaque, at `at` of `rgba`. */
export function putPixel(r: number, g: number, b: number, rgba: Uint8ClampedArray, at: number): void {
  pixel[0] = r;
  pixel[1] = g;
  pixel[2] = b;
  if (!fits(r, g, b)) reduceChroma();
  rgba[at] = byteOfLight(pixel[0]);
  rgba[at + 1] = byteOfLight(pixel[1]);
  rgba[at + 2] = byteOfLight(pixel[2]);
  rgba[at + 3] = 255;
}

/** The pixel at work, linear sRGB. */
const pixel = new Float64Array(3);

/** Takes as much chroma from the pixel as it takes to fit, at constant lightness and hue. */
function reduceChroma(): void {
  const r = pixel[0];
  const g = pixel[1];
  const b = pixel[2];
  const l = Math.cbrt(times(SRGB_TO_CONES[0], r, g, b));
  const m = Math.cbrt(times(SRGB_TO_CONES[1], r, g, b));
  const s = Math.cbrt(times(SRGB_TO_CONES[2], r, g, b));
  const lightness = times(CONE_ROOTS_TO_LIGHTNESS, l, m, s);
  let kept = 0;
  for (let halving = 0; halving < CHROMA_HALVINGS; halving++) {
    const tried = kept + 2 ** -(halving + 1);
    fromGrey(lightness, l, m, s, tried);
    if (fits(pixel[0], pixel[1], pixel[2])) kept = tried;
  }
  fromGrey(lightness, l, m, s, kept);
}

/** Sets the pixel to `share` of the way from grey to a colour; there the cones' roots run straight. */
function fromGrey(lightness: number, l: number, m: number, s: number, share: number): void {
  const l3 = cube(lightness + share * (l - lightness));
  const m3 = cube(lightness + share * (m - lightness));
  const s3 = cube(lightness + share * (s - lightness));
  pixel[0] = times(CONES_TO_SRGB[0], l3, m3, s3);
  pixel[1] = times(CONES_TO_SRGB[1], l3, m3, s3);
  pixel[2] = times(CONES_TO_SRGB[2], l3, m3, s3);
}
