import { EIGHT_BANDS, hexOf, thinned, TWELVE_BANDS, type BandSet } from '@kettle/core/kit/colour';
import { paperById } from '@kettle/core/materials/paper';
import {
  filmColourist,
  groundOf,
  interfaceAt,
  paintRecipe,
  pigmentByCode,
  plainPaintKernel,
  type PaintTile,
} from '@kettle/core/materials/pigment';
import { loadPaintKernel } from '@kettle/kernels/node';
import { medianOf } from './timing';

const SIDE = 128;
const ROUNDS = 9;
const paper = paperById('cotton-cold-300');
const panel = ['PY3', 'PY150', 'PR122', 'PB29', 'PB15:3', 'PBr7-burnt-sienna'].map((code) =>
  pigmentByCode(code),
);

/** A tile of washes that run into each other, all six pigments at every pixel, half wet. */
function washes(bands: BandSet): PaintTile {
  const pixels = SIDE * SIDE;
  const n = bands.index.length;
  const tile: PaintTile = {
    pixels,
    loads: new Float32Array(pixels * panel.length),
    wetness: new Float32Array(pixels).fill(0.5),
    dryGround: new Float32Array(pixels * n),
    wetGround: new Float32Array(pixels * n),
    rgba: new Uint8ClampedArray(pixels * 4),
  };
  const dry = thinned(groundOf(paper, []), bands);
  const wet = thinned(groundOf(paper, [], interfaceAt(1)), bands);
  for (let pixel = 0; pixel < pixels; pixel++) {
    const [x, y] = [pixel % SIDE, Math.floor(pixel / SIDE)];
    panel.forEach(({ masstoneLoadGm2 }, i) => {
      const wave = Math.cos((x * Math.cos(i) + y * Math.sin(i)) / 20 + i);
      tile.loads[i * pixels + pixel] = 0.15 * masstoneLoadGm2 * Math.max(0.01, wave) ** 2;
    });
    tile.dryGround.set(dry, pixel * n);
    tile.wetGround.set(wet, pixel * n);
  }
  return tile;
}

/** Nanoseconds a pixel of the compiled kernel, its plain twin and the 36-band reference, in one run. */
export async function benchPainting(): Promise<{
  simdNs: number;
  simdEightNs: number;
  plainEightNs: number;
  plainTwelveNs: number;
  referenceNs: number;
  referenceOverSimd: number;
  simdTileMs: number;
}> {
  const wasm = await loadPaintKernel();
  const perPixel = 1e6 / (SIDE * SIDE);
  const nsOf = (run: () => unknown): number => medianOf(ROUNDS, run) * perPixel;
  const twelve = { recipe: paintRecipe(panel), tile: washes(TWELVE_BANDS) };
  const eight = { recipe: paintRecipe(panel, EIGHT_BANDS), tile: washes(EIGHT_BANDS) };
  const { colourOf } = filmColourist(panel, groundOf(paper, []));
  const { loads, pixels } = twelve.tile;
  const film = new Float64Array(panel.length);
  const referenceNs = nsOf(() => {
    for (let pixel = 0; pixel < pixels; pixel++) {
      for (let i = 0; i < film.length; i++) film[i] = loads[i * pixels + pixel];
      hexOf(colourOf(film));
    }
  });
  const simdNs = nsOf(() => wasm.colour(twelve.recipe, twelve.tile));
  return {
    simdNs,
    simdEightNs: nsOf(() => wasm.colour(eight.recipe, eight.tile)),
    plainEightNs: nsOf(() => plainPaintKernel.colour(eight.recipe, eight.tile)),
    plainTwelveNs: nsOf(() => plainPaintKernel.colour(twelve.recipe, twelve.tile)),
    referenceNs,
    referenceOverSimd: referenceNs / simdNs,
    simdTileMs: simdNs / perPixel,
  };
}
