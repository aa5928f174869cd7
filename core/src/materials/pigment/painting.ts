import { TWELVE_BANDS, XYZ_TO_SRGB, type BandSet } from '../../kit/colour';
import { filmOptics, type FilmOptics } from './film';
import { FACE_ON_THE_TABLE } from './metallic';
import type { Pigment } from './pigment';
import { interfaceAt, type Interface } from './surface';

/** Pigments a panel can hold at once. */
export const MAX_ON_PANEL = 6;

/** What the painting kernels need to know of the pigments on a panel; n = number of bands. */
export interface PaintRecipe {
  readonly optics: FilmOptics;
  readonly dry: Interface;
  readonly wet: Interface;
  /** From seen reflectance to linear sRGB in daylight, `[channel · n + band]`. */
  readonly toScreen: Float64Array;
}

/**
 * A tile of the panel. The wet film's pigments are given; under it lies what has dried, kept as internal
 * reflectance over dry and over wet paper (a wet panel darkens to its paper), in the recipe's bands.
 */
export interface PaintTile {
  readonly pixels: number;
  /** g/m², `[pigment · pixels + pixel]`. */
  readonly loads: Float32Array;
  /** 0…1, `[pixel]`. */
  readonly wetness: Float32Array;
  /** `[pixel · n + band]`; arrays that were given once are not changed but by `fold`. */
  readonly dryGround: Float32Array;
  readonly wetGround: Float32Array;
  /** What is seen, `[pixel · 4 + channel]`. */
  readonly rgba: Uint8ClampedArray;
}

/** Colours tiles of the panel; a compiled and a plain twin of the same scheme. */
export interface PaintKernel {
  readonly name: 'wasm' | 'plain';
  /** Writes `rgba`: the wet film over what has dried, as wet as it is. */
  colour(recipe: PaintRecipe, tile: PaintTile): void;
  /** The film has dried: lays it into both grounds. */
  fold(recipe: PaintRecipe, tile: PaintTile): void;
}

/** Prepares the pigments of a panel for painting. Throws `RangeError` for more than six. */
export function paintRecipe(
  pigments: readonly Pigment[],
  bands: BandSet = TWELVE_BANDS,
  facing = FACE_ON_THE_TABLE,
): PaintRecipe {
  if (pigments.length > MAX_ON_PANEL) throw new RangeError(`a panel holds at most ${MAX_ON_PANEL} pigments.`);
  return {
    optics: filmOptics(pigments, bands, facing),
    dry: interfaceAt(0),
    wet: interfaceAt(1),
    toScreen: Float64Array.from(
      XYZ_TO_SRGB.flatMap(([x, y, z]) =>
        bands.index.map(
          (_, band) => x * bands.weights[0][band] + y * bands.weights[1][band] + z * bands.weights[2][band],
        ),
      ),
    ),
  };
}
