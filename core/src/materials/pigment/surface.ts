/**
 * The boundary between air and paint or paper. k1 is the share of light thrown back at the surface from
 * outside, k2 from inside, kSee how much of the first reaches the eye; the scatter factors say how much
 * scatter is left when water fills the pores.
 */
export interface Interface {
  readonly k1: number;
  readonly k2: number;
  readonly kSee: number;
  readonly pigmentScatter: number;
  readonly paperScatter: number;
}

/** Dry, matt. k2 is below the textbook 0.60, which would make wet paint lighter than dry: it is porous. */
const DRY: Interface = { k1: 0.028, k2: 0.35, kSee: 1, pigmentScatter: 1, paperScatter: 1 };

/** Under a film of water. */
const WET: Interface = { k1: 0.021, k2: 0.47, kSee: 0.2, pigmentScatter: 0.7, paperScatter: 0.6 };

/** The surface at a wetness from 0 (bone dry) to 1 (a film stands on it); linear between, so drying shifts smoothly. */
export const interfaceAt = (wetness: number): Interface => ({
  k1: DRY.k1 + (WET.k1 - DRY.k1) * wetness,
  k2: DRY.k2 + (WET.k2 - DRY.k2) * wetness,
  kSee: DRY.kSee + (WET.kSee - DRY.kSee) * wetness,
  pigmentScatter: DRY.pigmentScatter + (WET.pigmentScatter - DRY.pigmentScatter) * wetness,
  paperScatter: DRY.paperScatter + (WET.paperScatter - DRY.paperScatter) * wetness,
});

/** What the eye sees of an internal reflectance (Saunderson 1942). */
export const seenThrough = ({ k1, k2, kSee }: Interface, internal: number): number =>
  kSee * k1 + ((1 - k1) * (1 - k2) * internal) / (1 - k2 * internal);

/** The internal reflectance behind one that was seen; the inverse of `seenThrough`. */
export function internalOf({ k1, k2, kSee }: Interface, seen: number): number {
  const corrected = seen - kSee * k1;
  return corrected / ((1 - k1) * (1 - k2) + k2 * corrected);
}
