import { BAND_COUNT } from '../colour';
import { opticsOf } from './absorption';
import { layerLight, type LayerLight } from './layer';
import type { Pigment } from './pigment';

/** The film at which strength 1 is masstone, µm. */
export const REFERENCE_FILM_UM = 100;

/** One pigment of a mix, in whole parts of paint (not grams, or the strong would swamp the rest). */
export interface MixPart {
  readonly pigment: Pigment;
  readonly parts: number;
}

/** A mix as it is laid: its parts, its strength 0…1 (a concentration), and the film of water, µm. */
export interface Mix {
  readonly parts: readonly MixPart[];
  readonly strength: number;
  readonly filmUm: number;
}

/** Dry pigment each part leaves, g/m², in the order of the parts: strength · load · share · film/100 µm. */
export function pigmentLoads({ parts, strength, filmUm }: Mix): number[] {
  const total = parts.reduce((sum, { parts: n }) => sum + n, 0);
  return parts.map(
    ({ pigment, parts: n }) =>
      strength * pigment.masstoneLoadGm2 * (n / total) * (filmUm / REFERENCE_FILM_UM),
  );
}

/** Volumes of water to one of paint: strength is a concentration, so 0.1 is nine of water to one of paint. */
export const waterPerPaint = (strength: number): number => (1 - strength) / strength;

/** Light of a layer in every band, from the loads (g/m²) of its pigments; `scatter` scales S when wet. */
export function lightOfLoads(
  pigments: readonly Pigment[],
  loads: readonly number[],
  scatter: number,
): LayerLight[] {
  const optics = pigments.map(opticsOf);
  return Array.from({ length: BAND_COUNT }, (_, band) => {
    let kx = 0;
    let sx = 0;
    for (let i = 0; i < optics.length; i++) {
      kx += optics[i].k[band] * loads[i];
      sx += optics[i].s[band] * loads[i];
    }
    return layerLight(kx, sx * scatter);
  });
}
