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

/** The same, each with the code of its pigment. */
export function loadsByCode(mix: Mix): { readonly pigment: string; readonly gm2: number }[] {
  const loads = pigmentLoads(mix);
  return mix.parts.map(({ pigment }, i) => ({ pigment: pigment.code, gm2: loads[i] }));
}

/** Volumes of water to one of paint: strength is a concentration, so 0.1 is nine of water to one of paint. */
export const waterPerPaint = (strength: number): number => (1 - strength) / strength;

/** A mix laid as deep as masstones are judged, for comparing colours. */
export const atReferenceFilm = (parts: readonly MixPart[], strength: number): Mix => ({
  parts,
  strength,
  filmUm: REFERENCE_FILM_UM,
});
