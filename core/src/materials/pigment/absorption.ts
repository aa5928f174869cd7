import { sampleSpectrum, type Spectrum } from '../../kit/colour';
import type { Pigment } from './pigment';

/** Kubelka–Munk absorption K and scatter S of a pigment, m²/g, 36 bands each. */
export interface Optics {
  readonly k: Spectrum;
  readonly s: Spectrum;
}

const cache = new WeakMap<Pigment, Optics>();

/** Spectra of a pigment from its bands; kept, since a mix search asks thousands of times. */
export function opticsOf(pigment: Pigment): Optics {
  const known = cache.get(pigment);
  if (known) return known;
  const optics = {
    k: sampleSpectrum((nm) => pigment.bands.reduce((k, band) => k + band.a * shape(band, nm), pigment.k0)),
    s: sampleSpectrum((nm) => pigment.s0 * (nm / 550) ** -pigment.sp),
  };
  cache.set(pigment, optics);
  return optics;
}

function shape({ t, c, w }: Pigment['bands'][number], nm: number): number {
  const x = (nm - c) / w;
  if (t === 'g') return Math.exp(-0.5 * x * x);
  return 1 / (1 + Math.exp(t === 'e' ? x : -x));
}
