/** What a paint layer sends back and lets through, each 0…1. */
export interface LayerLight {
  readonly r: number;
  readonly t: number;
}

/**
 * Reflectance and transmittance of one finite layer in one band, from its total absorption KX and
 * scatter SX (dimensionless). The exponential form of Kubelka (1948), which never overflows.
 */
export function layerLight(kx: number, sx: number): LayerLight {
  const q = Math.sqrt(kx * (kx + 2 * sx));
  if (sx === 0) return { r: 0, t: Math.exp(-kx) };
  if (q < SMALL_Q) return { r: sx / (1 + sx + kx), t: 1 / (1 + sx + kx) };
  const once = Math.exp(-q);
  const twice = once * once;
  const d = (kx + sx) * (1 - twice) + q * (1 + twice);
  return { r: (sx * (1 - twice)) / d, t: (2 * q * once) / d };
}

/** Below this the quotient loses its digits and the limit q → 0 is exact to 1e-14. */
const SMALL_Q = 1e-7;

/** A layer laid over a ground of internal reflectance `ground` (Kubelka 1954): what comes back of both. */
export const overGround = ({ r, t }: LayerLight, ground: number): number =>
  r + (t * t * ground) / (1 - r * ground);

/** Two layers as one: `over` lies on `under` (Kubelka 1954), seen from above. */
export function stackLayers(over: LayerLight, under: LayerLight): LayerLight {
  const between = 1 - over.r * under.r;
  return { r: over.r + (over.t ** 2 * under.r) / between, t: (over.t * under.t) / between };
}

/** Reflectance of an infinitely thick layer, from K/S (Kubelka & Munk 1931). */
export const infiniteLayer = (ratio: number): number => 1 + ratio - Math.sqrt(ratio * ratio + 2 * ratio);

/** K/S of an infinitely thick layer from its reflectance, the inverse of `infiniteLayer`. */
export const ratioOf = (reflectance: number): number => (1 - reflectance) ** 2 / (2 * reflectance);
