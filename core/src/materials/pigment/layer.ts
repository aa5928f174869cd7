/** What a paint layer sends back and lets through, each 0…1. */
export interface LayerLight {
  readonly r: number;
  readonly t: number;
}

/**
 * Reflectance and transmittance of one finite layer in one band, from its total absorption KX and
 * scatter SX (dimensionless). The exponential form of Kubelka (1948), which never overflows; by
 * `expm1` it keeps its digits down to the limit q → 0 too.
 */
export function layerLight(kx: number, sx: number): LayerLight {
  if (sx === 0) return { r: 0, t: Math.exp(-kx) };
  const q = Math.sqrt(kx * (kx + 2 * sx));
  if (q === 0) return { r: sx / (1 + sx), t: 1 / (1 + sx) };
  const lost = -Math.expm1(-2 * q);
  const d = (kx + sx) * lost + q * (2 - lost);
  return { r: (sx * lost) / d, t: (2 * q * Math.exp(-q)) / d };
}

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
