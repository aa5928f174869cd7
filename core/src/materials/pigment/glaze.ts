import { BAND_COUNT, labOf, type Lab, type Light, type Spectrum } from '../../kit/colour';
import { paperReflectance, type Paper } from '../paper';
import { filmOptics, filmSums, laySums, sumFilm, type FilmSums } from './film';
import { infiniteLayer, ratioOf } from './layer';
import { FACE_ON_THE_TABLE } from './metallic';
import { pigmentLoads, type Mix } from './mix';
import { interfaceAt, internalOf, seenThrough, type Interface } from './surface';

const DRY = interfaceAt(0);

/** Internal reflectance of the bare paper; wetting takes scatter from its fibres and darkens it. */
export function paperInternal(paper: Paper, surface: Interface): Spectrum {
  return paperReflectance(paper.white).map((seen) => {
    const dry = internalOf(DRY, seen);
    return surface.paperScatter === 1 ? dry : infiniteLayer(ratioOf(dry) / surface.paperScatter);
  });
}

/**
 * Internal reflectance of dry layers on paper, bottom layer first: what a next film is laid over. The paper
 * itself is as wet as `surface` says, for water goes through dry paint into it.
 */
export function groundOf(
  paper: Paper,
  layers: readonly Mix[],
  surface: Interface = DRY,
  facing = FACE_ON_THE_TABLE,
): Spectrum {
  const ground = paperInternal(paper, surface);
  layers.forEach((mix) => layMix(ground, mix, DRY, facing));
  return ground;
}

/** Films summed over their pigments, flakes as they lie on the table: a drying layer is looked at again and again. */
const films = new WeakMap<Mix, FilmSums>();

function filmOf(mix: Mix, facing: number): FilmSums {
  const known = facing === FACE_ON_THE_TABLE ? films.get(mix) : undefined;
  if (known) return known;
  const optics = filmOptics(
    mix.parts.map(({ pigment }) => pigment),
    undefined,
    facing,
  );
  const sums = filmSums(optics);
  sumFilm(optics, pigmentLoads(mix), sums);
  if (facing === FACE_ON_THE_TABLE) films.set(mix, sums);
  return sums;
}

/** Lays a mix over `ground`, in place. */
const layMix = (ground: Spectrum, mix: Mix, surface: Interface, facing: number): void => {
  laySums(filmOf(mix, facing), 1, surface.pigmentScatter, ground, ground);
};

/** How a glaze is looked at. */
export interface Viewing {
  /** Wetness 0…1 of the top layer, and of the paper; the layers between are dry. */
  readonly wetness?: number;
  /** How far metallic flakes are turned to the lamp, 0…1. */
  readonly facing?: number;
}

/**
 * Reflectance of paint layers on paper, bottom layer first, as the eye sees it; 36 bands.
 * Layers are composed in internal reflectance and the surface is applied once, on top.
 */
export function glazeReflectance(
  paper: Paper,
  layers: readonly Mix[],
  { wetness = 0, facing = FACE_ON_THE_TABLE }: Viewing = {},
): Spectrum {
  const surface = interfaceAt(wetness);
  const seen = groundOf(paper, layers.slice(0, -1), surface, facing);
  const top = layers.at(-1);
  if (top) layMix(seen, top, surface, facing);
  for (let band = 0; band < BAND_COUNT; band++) seen[band] = seenThrough(surface, seen[band]);
  return seen;
}

/** Colour of layers on paper, in daylight unless another lamp is named. */
export const glazeLab = (paper: Paper, layers: readonly Mix[], wetness = 0, light: Light = 'D65'): Lab =>
  labOf(glazeReflectance(paper, layers, { wetness }), light);
