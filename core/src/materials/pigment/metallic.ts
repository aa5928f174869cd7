import { smoothReflectance, type Lab, type Spectrum } from '../../kit/colour';
import type { Pigment } from './pigment';
import { interfaceAt, internalOf } from './surface';

/** How much of a metallic's face is turned to the eye when the card lies flat on the table, 0…1; the rest is its flop. */
export const FACE_ON_THE_TABLE = 0.35;

/** At its masstone load a metallic covers all but 5 % of what is under it: 1 − e⁻³. Our own choice. */
export const MASSTONE_COVERS = 3;

/** Share of the ground that mica flakes hide: 1 − e^(−m/m₀), `thickness` = m/m₀ (random flakes, Poisson). */
export const flakeCoverage = (thickness: number): number => 1 - Math.exp(-thickness);

/**
 * Internal reflectance of a metallic's flakes, 36 bands, from the face colour (turned to the lamp, `facing` 1)
 * to the flop colour (turned away, 0); linear between.
 */
export function flakeReflectance({ face, flop }: NonNullable<Pigment['metallic']>, facing: number): Spectrum {
  const [toLamp, away] = [spectrumOf(face), spectrumOf(flop)];
  const dry = interfaceAt(0);
  return toLamp.map((r, band) => internalOf(dry, facing * r + (1 - facing) * away[band]));
}

const spectra = new Map<Lab, Spectrum>();

function spectrumOf(lab: Lab): Spectrum {
  const known = spectra.get(lab);
  if (known) return known;
  const spectrum = smoothReflectance(lab);
  spectra.set(lab, spectrum);
  return spectrum;
}
