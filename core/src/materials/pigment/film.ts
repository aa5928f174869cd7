import { FULL_BANDS, thinned, type BandSet } from '../../kit/colour';
import { opticsOf } from './absorption';
import { layerLight, overGround } from './layer';
import { FACE_ON_THE_TABLE, flakeCoverage, flakeReflectance } from './metallic';
import type { Pigment } from './pigment';

/** The optics of some pigments in some bands, flat for hot loops; n = number of bands. */
export interface FilmOptics {
  readonly bands: BandSet;
  /** Absorption and scatter, m²/g, `[pigment · n + band]`. */
  readonly k: Float64Array;
  readonly s: Float64Array;
  /** 1/m₀ of a metallic, m²/g; 0 for other pigments. */
  readonly flakes: Float64Array;
  /** Internal reflectance of the flakes, `[pigment · n + band]`; empty when none is metallic. */
  readonly face: Float64Array;
}

/** Gathers the optics of pigments; `facing` says how far metallic flakes are turned to the lamp, 0…1. */
export function filmOptics(
  pigments: readonly Pigment[],
  bands: BandSet = FULL_BANDS,
  facing = FACE_ON_THE_TABLE,
): FilmOptics {
  const n = bands.index.length;
  const flat = (spectrumOf: (pigment: Pigment) => Float64Array): Float64Array => {
    const all = new Float64Array(pigments.length * n);
    pigments.forEach((pigment, i) => {
      all.set(thinned(spectrumOf(pigment), bands), i * n);
    });
    return all;
  };
  return {
    bands,
    k: flat((pigment) => opticsOf(pigment).k),
    s: flat((pigment) => opticsOf(pigment).s),
    flakes: Float64Array.from(pigments, ({ metallic }) => (metallic ? 1 / metallic.coverLoadGm2 : 0)),
    face: pigments.some(({ metallic }) => metallic)
      ? flat(({ metallic }) =>
          metallic ? flakeReflectance(metallic, facing) : new Float64Array(FULL_BANDS.index.length),
        )
      : new Float64Array(0),
  };
}

/** A film by its sums over its pigments, one number a band. */
export interface FilmSums {
  readonly absorption: Float64Array;
  readonly scatter: Float64Array;
  /** Internal reflectance of its flakes, and how thick they lie: Σ m/m₀. */
  readonly flakes: Float64Array;
  flakeThickness: number;
}

export const filmSums = ({ bands }: FilmOptics): FilmSums => ({
  absorption: new Float64Array(bands.index.length),
  scatter: new Float64Array(bands.index.length),
  flakes: new Float64Array(bands.index.length),
  flakeThickness: 0,
});

/** Adds up a film of `loads` g/m² of each pigment: absorption and scatter of pigments add (Duncan 1940). */
export function sumFilm(
  { bands, k, s, flakes, face }: FilmOptics,
  loads: ArrayLike<number>,
  sums: FilmSums,
): void {
  const n = bands.index.length;
  sums.absorption.fill(0);
  sums.scatter.fill(0);
  sums.flakes.fill(0);
  sums.flakeThickness = 0;
  for (let i = 0; i < loads.length; i++) {
    const load = loads[i];
    if (load === 0) continue;
    for (let band = 0, at = i * n; band < n; band++, at++) {
      sums.absorption[band] += k[at] * load;
      sums.scatter[band] += s[at] * load;
    }
    const thickness = flakes[i] * load;
    if (thickness === 0) continue;
    sums.flakeThickness += thickness;
    for (let band = 0; band < n; band++) sums.flakes[band] += face[i * n + band] * thickness;
  }
  if (sums.flakeThickness > 0) for (let band = 0; band < n; band++) sums.flakes[band] /= sums.flakeThickness;
}

/**
 * Lays a film over a ground, both in internal reflectance; `out` may be the ground itself. `share` of the sums
 * is laid: 0.5 is the film half as strong. `wetScatter` is the share of scatter left when wet. Mica flakes
 * float at half height: where they cover, half the film is seen over them.
 */
export function laySums(
  { absorption, scatter, flakes, flakeThickness }: FilmSums,
  share: number,
  wetScatter: number,
  ground: Float64Array,
  out: Float64Array,
): void {
  const covered = flakeCoverage(flakeThickness * share);
  for (let band = 0; band < out.length; band++) {
    const kx = absorption[band] * share;
    const sx = scatter[band] * share * wetScatter;
    const through = overGround(layerLight(kx, sx), ground[band]);
    out[band] =
      covered === 0
        ? through
        : (1 - covered) * through + covered * overGround(layerLight(kx / 2, sx / 2), flakes[band]);
  }
}
