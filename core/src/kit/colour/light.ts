import * as z from 'zod';
import daylight from './data/observer.json';
import { sampleSpectrum, type Spectrum } from './spectrum';

/** The lamps a card is judged under: daylight, a warm room lamp, a white LED. */
export const LIGHTS = ['D65', 'warm', 'led'] as const;
export const lightSchema = z.enum(LIGHTS);
export type Light = z.infer<typeof lightSchema>;

/** Second radiation constant as CIE 15:2004 fixes it for illuminant A, nm·K, and A's temperature in its formula, K. */
const ILLUMINANT_A = { c2: 1.435e7, kelvin: 2848 };

/**
 * Shape of a phosphor-converted white LED of about 4000 K: a narrow blue line and a broad phosphor hump
 * (centres and widths σ in nm). Constructed, no lamp was measured; its chromaticity is that of illuminant
 * LED-B3 (CIE 15:2018: x 0.376, y 0.372), its spectrum is not.
 */
const LED = {
  blue: { peak: 1, centre: 452, width: 10 },
  phosphor: { peak: 1, centre: 582, width: 63 },
};

const bell = (nm: number, { peak, centre, width }: typeof LED.blue): number =>
  peak * Math.exp(-0.5 * ((nm - centre) / width) ** 2);

/** Spectral power of each lamp in the 36 bands, on a scale of its own. */
const POWER: Readonly<Record<Light, Spectrum>> = {
  D65: Float64Array.from(daylight.d65),
  warm: sampleSpectrum(
    (nm) => nm ** -5 / (Math.exp(ILLUMINANT_A.c2 / (ILLUMINANT_A.kelvin * nm)) - 1) / 560 ** -5,
  ),
  led: sampleSpectrum((nm) => bell(nm, LED.blue) + bell(nm, LED.phosphor)),
};

/** Relative spectral power of a lamp, 36 bands. */
export const spectralPower = (light: Light): Spectrum => POWER[light];
