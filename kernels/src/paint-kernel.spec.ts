import { beforeAll, describe, expect, it } from 'vitest';
import { EIGHT_BANDS, thinned, TWELVE_BANDS, type BandSet } from '@kettle/core/kit/colour';
import { paperById } from '@kettle/core/materials/paper';
import {
  groundOf,
  interfaceAt,
  paintRecipe,
  pigmentByCode,
  plainPaintKernel,
  type PaintKernel,
  type PaintTile,
} from '@kettle/core/materials/pigment';
import { loadPaintKernel } from './load-node';

const PALETTES = {
  transparent: ['PY3', 'PY150', 'PR122', 'PB29', 'PB15:3', 'PBr7-burnt-sienna'],
  'opaque and metallic': ['PY35', 'PR108', 'PB60', 'PW6', 'MICA-gold', 'MICA-pearl'],
  one: ['PB29'],
};
const paper = paperById('cotton-cold-300');
let wasm: PaintKernel;

beforeAll(async () => {
  wasm = await loadPaintKernel();
});

/** A repeatable tile of every load and wetness, over bare paper. */
function tileOf(codes: readonly string[], bands: BandSet, pixels: number): PaintTile {
  let state = 41;
  const random = (): number => (state = (state * 16807) % 2147483647) / 2147483647;
  const n = bands.index.length;
  const tile: PaintTile = {
    pixels,
    loads: Float32Array.from({ length: pixels * codes.length }, () =>
      random() < 0.5 ? 0 : 12 * random() ** 3,
    ),
    wetness: Float32Array.from({ length: pixels }, () => (random() < 0.2 ? 0 : random())),
    dryGround: new Float32Array(pixels * n),
    wetGround: new Float32Array(pixels * n),
    rgba: new Uint8ClampedArray(pixels * 4),
  };
  for (let pixel = 0; pixel < pixels; pixel++) {
    tile.dryGround.set(thinned(groundOf(paper, []), bands), pixel * n);
    tile.wetGround.set(thinned(groundOf(paper, [], interfaceAt(1)), bands), pixel * n);
  }
  return tile;
}

const copyOf = (tile: PaintTile): PaintTile => ({
  ...tile,
  dryGround: tile.dryGround.slice(),
  wetGround: tile.wetGround.slice(),
  rgba: tile.rgba.slice(),
});

const worst = (one: ArrayLike<number>, other: ArrayLike<number>): number => {
  let most = 0;
  for (let i = 0; i < one.length; i++) most = Math.max(most, Math.abs(one[i] - other[i]));
  return most;
};

describe.each(Object.entries(PALETTES))(
  'the compiled painting kernel and its plain twin, %s pigments',
  (_, codes) => {
    it.each([
      ['twelve', TWELVE_BANDS],
      ['eight', EIGHT_BANDS],
    ] as const)('paint the same bytes in %s bands, within one', (_name, bands) => {
      const recipe = paintRecipe(
        codes.map((code) => pigmentByCode(code)),
        bands,
      );
      const [tile, twin] = [tileOf(codes, bands, 3000), tileOf(codes, bands, 3000)];
      wasm.colour(recipe, tile);
      plainPaintKernel.colour(recipe, twin);
      expect(worst(tile.rgba, twin.rgba)).toBeLessThanOrEqual(1);
      expect(new Set(tile.rgba).size).toBeGreaterThan(100);
    });

    it('fold the same dried film into the ground', () => {
      const recipe = paintRecipe(codes.map((code) => pigmentByCode(code)));
      const tile = tileOf(codes, TWELVE_BANDS, 500);
      const twin = copyOf(tile);
      for (let layer = 0; layer < 3; layer++) {
        wasm.fold(recipe, tile);
        plainPaintKernel.fold(recipe, twin);
      }
      expect(worst(tile.dryGround, twin.dryGround)).toBeLessThan(1e-5);
      expect(worst(tile.wetGround, twin.wetGround)).toBeLessThan(1e-5);
    });
  },
);

describe('the compiled painting kernel', () => {
  it('loses no light when nothing absorbs: white ground stays white to 1e-5', () => {
    const clear = { ...pigmentByCode('PW6'), k0: 0, bands: [] };
    const recipe = paintRecipe([clear]);
    const n = TWELVE_BANDS.index.length;
    const loads = Float32Array.from({ length: 400 }, (_, i) => (i === 0 ? 0 : 10 ** (-4 + i / 60)));
    const tile: PaintTile = {
      pixels: loads.length,
      loads,
      wetness: new Float32Array(loads.length),
      dryGround: new Float32Array(loads.length * n).fill(1),
      wetGround: new Float32Array(loads.length * n).fill(1),
      rgba: new Uint8ClampedArray(loads.length * 4),
    };
    wasm.fold(recipe, tile);
    expect(worst(tile.dryGround, new Float32Array(loads.length * n).fill(1))).toBeLessThan(1e-5);
  });

  it('grows its memory for a large tile and leaves a small one right', () => {
    const recipe = paintRecipe(PALETTES.transparent.map((code) => pigmentByCode(code)));
    const [small, large] = [
      tileOf(PALETTES.transparent, TWELVE_BANDS, 64),
      tileOf(PALETTES.transparent, TWELVE_BANDS, 40_000),
    ];
    wasm.colour(recipe, small);
    const before = small.rgba.slice();
    wasm.colour(recipe, large);
    wasm.colour(recipe, small);
    expect(small.rgba).toEqual(before);
  });

  it('refuses arrays that do not fit each other', () => {
    const recipe = paintRecipe([pigmentByCode('PB29')]);
    const tile = tileOf(['PB29'], TWELVE_BANDS, 8);
    expect(() => wasm.colour(recipe, { ...tile, loads: new Float32Array(7) })).toThrow(/lengths/);
    expect(() => wasm.fold(recipe, { ...tile, dryGround: new Float32Array(8 * 8) })).toThrow(/lengths/);
  });
});
