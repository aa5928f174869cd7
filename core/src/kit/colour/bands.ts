import table from './data/bands.json';
import { xyzWeights, type XyzWeights } from './observer';
import { BAND_COUNT, type Spectrum } from './spectrum';

/** Which of the 36 bands a computation keeps, and what each then weighs towards X, Y, Z in daylight. */
export interface BandSet {
  /** Indices into the 36 bands, rising. */
  readonly index: readonly number[];
  readonly weights: XyzWeights;
}

const reduced = ({ idx, W }: { idx: number[]; W: number[][] }): BandSet => ({
  index: idx,
  weights: W.map((row) => Float64Array.from(row)) as unknown as XyzWeights,
});

/** All 36 bands, for mixing and planning. */
export const FULL_BANDS: BandSet = {
  index: Array.from({ length: BAND_COUNT }, (_, band) => band),
  weights: xyzWeights(),
};

/** Twelve bands for painting and for wide searches: some 0.1 ΔE00 off the 36. */
export const TWELVE_BANDS = reduced(table.sets['12']);

/** Eight bands, when the panel must answer at once without the compiled kernel. */
export const EIGHT_BANDS = reduced(table.sets['8']);

/** The kept bands of a full spectrum. */
export function thinned(spectrum: Spectrum, { index }: BandSet): Float64Array {
  const kept = new Float64Array(index.length);
  for (let i = 0; i < index.length; i++) kept[i] = spectrum[index[i]];
  return kept;
}
