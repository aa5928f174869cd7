import {
  BYTE_OF_LIGHT,
  BYTE_STEPS,
  CHROMA_HALVINGS,
  CONE_ROOTS_TO_LIGHTNESS,
  CONES_TO_SRGB,
  SCREEN_EDGE,
  SRGB_TO_CONES,
} from '@kettle/core/kit/colour';
import {
  MAX_ON_PANEL,
  type PaintKernel,
  type PaintRecipe,
  type PaintTile,
} from '@kettle/core/materials/pigment';
import { reserve } from './memory';

/** What the compiled module exports. */
interface PaintModule {
  readonly memory: WebAssembly.Memory;
  base(): number;
  colour(
    pixels: number,
    pigments: number,
    bands: number,
    loads: number,
    wetness: number,
    dry: number,
    wet: number,
    rgba: number,
    block: number,
    table: number,
    halvings: number,
  ): void;
  fold(pixels: number, pigments: number, bands: number, loads: number, ground: number, block: number): void;
}

/** Numbers of the block before the spectra. */
const HEAD = 40;

/** Wraps a compiled painting module as a kernel: copies a tile in, colours or folds it, copies the result back. */
export function paintKernel(instance: WebAssembly.Instance): PaintKernel {
  const wasm = instance.exports as unknown as PaintModule;
  let entered: Grounds | null = null;
  return {
    name: 'wasm',

    colour(recipe, tile) {
      const { n, pigments, at } = enter(wasm, recipe, tile, entered);
      entered = { dry: tile.dryGround, wet: tile.wetGround, at };
      wasm.colour(
        tile.pixels,
        pigments,
        n,
        at.loads,
        at.wetness,
        at.dry,
        at.wet,
        at.rgba,
        at.block,
        at.table,
        CHROMA_HALVINGS,
      );
      tile.rgba.set(new Uint8Array(wasm.memory.buffer, at.rgba, tile.pixels * 4));
    },

    fold(recipe, tile) {
      const { n, pigments, at } = enter(wasm, recipe, tile, null);
      entered = null;
      wasm.fold(tile.pixels, pigments, n, at.loads, at.dry, at.block);
      wasm.fold(tile.pixels, pigments, n, at.loads, at.wet, at.block);
      tile.dryGround.set(new Float32Array(wasm.memory.buffer, at.dry, tile.pixels * n));
      tile.wetGround.set(new Float32Array(wasm.memory.buffer, at.wet, tile.pixels * n));
    },
  };
}

/** Grounds that stand in the module's memory already, and where. */
interface Grounds {
  readonly dry: Float32Array;
  readonly wet: Float32Array;
  readonly at: Readonly<Record<'dry' | 'wet', number>>;
}

/**
 * Copies recipe and tile into the module's memory and says where they stand, in bytes. Grounds that are the same arrays as
 * those that stand there are left: tile after tile of one paper has them in common.
 */
function enter(wasm: PaintModule, recipe: PaintRecipe, tile: PaintTile, entered: Grounds | null) {
  const n = recipe.optics.bands.index.length;
  const pigments = recipe.optics.flakes.length;
  checkLengths(tile, n, pigments);
  const block = blockOf(recipe, n);
  const sizes = {
    block: block.length * 4,
    table: BYTE_STEPS,
    loads: tile.loads.length * 4,
    wetness: tile.pixels * 4,
    dry: tile.pixels * n * 4,
    wet: tile.pixels * n * 4,
    rgba: tile.pixels * 4,
  };
  const { at, floats } = reserve(wasm.memory, sizes, wasm.base());
  floats(at.block, block);
  new Uint8Array(wasm.memory.buffer, at.table, BYTE_STEPS).set(BYTE_OF_LIGHT);
  floats(at.loads, tile.loads);
  floats(at.wetness, tile.wetness);
  if (entered?.dry !== tile.dryGround || entered.at.dry !== at.dry) floats(at.dry, tile.dryGround);
  if (entered?.wet !== tile.wetGround || entered.at.wet !== at.wet) floats(at.wet, tile.wetGround);
  return { n, pigments, at };
}

function checkLengths(tile: PaintTile, n: number, pigments: number): void {
  const { pixels, loads, wetness, dryGround, wetGround, rgba } = tile;
  const right =
    loads.length === pigments * pixels &&
    wetness.length === pixels &&
    dryGround.length === pixels * n &&
    wetGround.length === pixels * n &&
    rgba.length === pixels * 4;
  if (!right)
    throw new RangeError('the arrays of a tile must have the lengths its pixels and pigments ask for.');
}

function blockOf({ optics, dry, wet, toScreen }: PaintRecipe, n: number): Float32Array {
  const block = new Float32Array(HEAD + 3 * n + 3 * MAX_ON_PANEL * n + MAX_ON_PANEL);
  block.set([
    dry.k1,
    dry.k2,
    dry.kSee,
    wet.k1,
    wet.k2,
    wet.kSee,
    wet.pigmentScatter,
    SCREEN_EDGE,
    BYTE_STEPS,
  ]);
  block.set([...columnsOf(SRGB_TO_CONES), ...columnsOf(CONES_TO_SRGB), ...CONE_ROOTS_TO_LIGHTNESS], 12);
  block.set(toScreen, HEAD);
  const spectra = HEAD + 3 * n;
  block.set(optics.k, spectra);
  block.set(optics.s, spectra + MAX_ON_PANEL * n);
  block.set(optics.face, spectra + 2 * MAX_ON_PANEL * n);
  block.set(optics.flakes, spectra + 3 * MAX_ON_PANEL * n);
  return block;
}

/** A matrix column by column, each filled up to four. */
const columnsOf = (matrix: readonly (readonly number[])[]): number[] =>
  [0, 1, 2].flatMap((column) => [...matrix.map((row) => row[column]), 0]);
