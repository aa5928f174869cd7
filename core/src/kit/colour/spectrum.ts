/** Spectra are sampled in 36 bands of 10 nm from 380 to 730 nm. */
export const BAND_COUNT = 36;
export const FIRST_BAND_NM = 380;
export const BAND_STEP_NM = 10;

/** Centre of each band, nm; length 36. */
export const WAVELENGTHS: readonly number[] = Array.from(
  { length: BAND_COUNT },
  (_, band) => FIRST_BAND_NM + band * BAND_STEP_NM,
);

/** One number a band (reflectance 0…1, or K or S in m²/g); length 36. */
export type Spectrum = Float64Array;

/** Samples `value(nm)` at the 36 bands. */
export function sampleSpectrum(value: (nm: number) => number): Spectrum {
  return Float64Array.from(WAVELENGTHS, value);
}
