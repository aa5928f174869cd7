/** A repeatable hash of a lattice point, a whole number (finalizer of MurmurHash3; Appleby 2011). */
function hashed(x: number, y: number, seed: number): number {
  let h = (Math.imul(x, 0x27d4eb2d) ^ Math.imul(y, 0x165667b1) ^ Math.imul(seed, 0x9e3779b1)) | 0;
  h = Math.imul(h ^ (h >>> 16), 0x85ebca6b);
  h = Math.imul(h ^ (h >>> 13), 0xc2b2ae35);
  return (h ^ (h >>> 16)) >>> 0;
}

/** Slopes a lattice point may have: sixty-four unit vectors. */
const SLOPES = 64;
const SLOPE_X = Float64Array.from({ length: SLOPES }, (_, i) => Math.cos((2 * Math.PI * i) / SLOPES));
const SLOPE_Y = Float64Array.from({ length: SLOPES }, (_, i) => Math.sin((2 * Math.PI * i) / SLOPES));

/** Gradient noise of unit slopes reaches ±√½; this makes it ±1. */
const TO_ONE = Math.SQRT2;

/** Standard deviation of the noise (measured over 200,000 places). */
export const SURFACE_NOISE_DEVIATION = 0.305;

/** Each layer of noise is turned by the golden angle against the one before, so that no lattice shows. */
const GOLDEN_ANGLE = Math.PI * (3 - Math.sqrt(5));

/**
 * Smooth noise in the plane, −1…1, with features of about `sizeMm` (gradient noise, quintic blend; Perlin 2002). It is
 * a function of place in mm and seed alone, so that cells of any size see the same sheet.
 */
export function surfaceNoise(sizeMm: number, seed: number): (xMm: number, yMm: number) => number {
  const turn = GOLDEN_ANGLE * (seed + 1);
  const [cos, sin] = [Math.cos(turn), Math.sin(turn)];
  return (xMm, yMm) => {
    const x = (cos * xMm - sin * yMm) / sizeMm;
    const y = (sin * xMm + cos * yMm) / sizeMm;
    const x0 = Math.floor(x);
    const y0 = Math.floor(y);
    const fx = x - x0;
    const fy = y - y0;
    const u = blend(fx);
    const v = blend(fy);
    const top = rise(x0, y0, seed, fx, fy) * (1 - u) + rise(x0 + 1, y0, seed, fx - 1, fy) * u;
    const foot =
      rise(x0, y0 + 1, seed, fx, fy - 1) * (1 - u) + rise(x0 + 1, y0 + 1, seed, fx - 1, fy - 1) * u;
    return TO_ONE * (top * (1 - v) + foot * v);
  };
}

/** What the slope of a lattice point makes of a step away from it. */
function rise(x: number, y: number, seed: number, dx: number, dy: number): number {
  const slope = hashed(x, y, seed) % SLOPES;
  return SLOPE_X[slope] * dx + SLOPE_Y[slope] * dy;
}

const blend = (t: number): number => t * t * t * (t * (6 * t - 15) + 10);
