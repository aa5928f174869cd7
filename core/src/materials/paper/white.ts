import { sampleSpectrum, type Spectrum } from '../../kit/colour';
import type { Paper } from './paper';

/** Shape of a paper's white: R(λ) = top·(1 − drop/(1+e^((λ−edge)/width))) + slope·(λ−550)/180, λ in nm. */
interface White {
  readonly top: number;
  readonly drop: number;
  readonly edgeNm: number;
  readonly widthNm: number;
  readonly slope: number;
}

/** The three whites of watercolour paper; constructed, not measured. */
const WHITES: Readonly<Record<Paper['white'], White>> = {
  natural: { top: 0.893, drop: 0.15, edgeNm: 415, widthNm: 22, slope: 0.022 },
  cool: { top: 0.905, drop: 0.1, edgeNm: 398, widthNm: 12, slope: -0.008 },
  warm: { top: 0.878, drop: 0.21, edgeNm: 432, widthNm: 34, slope: 0.04 },
};

const sampled = ({ top, drop, edgeNm, widthNm, slope }: White): Spectrum =>
  sampleSpectrum(
    (nm) => top * (1 - drop / (1 + Math.exp((nm - edgeNm) / widthNm))) + (slope * (nm - 550)) / 180,
  );

/** Every colour on paper begins with one of these, so they are sampled once; nobody writes into them. */
const REFLECTANCES: Readonly<Record<Paper['white'], Spectrum>> = {
  natural: sampled(WHITES.natural),
  cool: sampled(WHITES.cool),
  warm: sampled(WHITES.warm),
};

/** Reflectance of the dry, unpainted paper as seen, 36 bands; to be read only. */
export const paperReflectance = (white: Paper['white']): Readonly<Spectrum> => REFLECTANCES[white];
