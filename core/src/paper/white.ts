import { sampleSpectrum, type Spectrum } from '../colour';
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

/** Reflectance of the dry, unpainted paper as seen, 36 bands. */
export function paperReflectance(white: Paper['white']): Spectrum {
  const { top, drop, edgeNm, widthNm, slope } = WHITES[white];
  return sampleSpectrum(
    (nm) => top * (1 - drop / (1 + Math.exp((nm - edgeNm) / widthNm))) + (slope * (nm - 550)) / 180,
  );
}
