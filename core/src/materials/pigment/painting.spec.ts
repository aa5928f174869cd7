import { describe, expect, it } from 'vitest';
import {
  deltaE00,
  EIGHT_BANDS,
  hexOf,
  labOf,
  labOfHex,
  thinned,
  TWELVE_BANDS,
  type BandSet,
} from '../../kit/colour';
import { paperById } from '../paper';
import {
  filmColourist,
  glazeReflectance,
  groundOf,
  interfaceAt,
  paintRecipe,
  pigmentByCode,
  plainPaintKernel,
  type Mix,
  type PaintTile,
} from '.';

const paper = paperById('cotton-cold-300');
const panel = ['PY3', 'PY150', 'PR122', 'PB29', 'PB15:3', 'PBr7-burnt-sienna'].map((code) =>
  pigmentByCode(code),
);

/** A tile of bare paper, as many pixels as strengths, each with one pigment of the panel at that strength. */
function tileOf(bands: BandSet, strengths: readonly number[], wetness: number): PaintTile {
  const pixels = strengths.length * panel.length;
  const n = bands.index.length;
  const tile: PaintTile = {
    pixels,
    loads: new Float32Array(pixels * panel.length),
    wetness: new Float32Array(pixels).fill(wetness),
    dryGround: new Float32Array(pixels * n),
    wetGround: new Float32Array(pixels * n),
    rgba: new Uint8ClampedArray(pixels * 4),
  };
  for (let pixel = 0; pixel < pixels; pixel++) {
    const pigment = pixel % panel.length;
    const strength = strengths[Math.floor(pixel / panel.length)];
    tile.loads[pigment * pixels + pixel] = strength * panel[pigment].masstoneLoadGm2;
    tile.dryGround.set(thinned(groundOf(paper, []), bands), pixel * n);
    tile.wetGround.set(thinned(groundOf(paper, [], interfaceAt(1)), bands), pixel * n);
  }
  return tile;
}

const STRENGTHS = [0.02, 0.1, 0.3, 1];
const mixAt = (pixel: number): Mix => ({
  parts: [{ pigment: panel[pixel % panel.length], parts: 1 }],
  strength: STRENGTHS[Math.floor(pixel / panel.length)],
  filmUm: 100,
});
const seenAt = ({ rgba }: PaintTile, pixel: number) =>
  labOfHex(
    `#${[...rgba.slice(pixel * 4, pixel * 4 + 3)].map((v) => v.toString(16).padStart(2, '0')).join('')}`,
  );

describe('painting', () => {
  it.each([0, 1])(
    'at wetness %d shows what the glaze model says, as far as twelve bands and bytes go',
    (wet) => {
      const tile = tileOf(TWELVE_BANDS, STRENGTHS, wet);
      plainPaintKernel.colour(paintRecipe(panel), tile);
      for (let pixel = 0; pixel < tile.pixels; pixel++) {
        const lab = labOf(glazeReflectance(paper, [mixAt(pixel)], { wetness: wet }));
        expect(deltaE00(seenAt(tile, pixel), labOfHex(hexOf(lab))), `pixel ${pixel}`).toBeLessThan(1);
      }
    },
  );

  it('between wet and dry runs from one to the other', () => {
    const lightness = [0, 0.25, 0.5, 0.75, 1].map((wet) => {
      const tile = tileOf(TWELVE_BANDS, [0.3], wet);
      plainPaintKernel.colour(paintRecipe(panel), tile);
      return seenAt(tile, 3)[0];
    });
    lightness.slice(1).forEach((l, i) => expect(l).toBeLessThan(lightness[i]));
  });

  it('folds a dried film into the ground: the next film lies over it as a glaze', () => {
    const recipe = paintRecipe(panel);
    const tile = tileOf(TWELVE_BANDS, [0.3], 0);
    plainPaintKernel.fold(recipe, tile);
    const second: Mix = { parts: [{ pigment: panel[3], parts: 1 }], strength: 0.2, filmUm: 100 };
    tile.loads.fill(0);
    for (let pixel = 0; pixel < tile.pixels; pixel++)
      tile.loads[3 * tile.pixels + pixel] = 0.2 * panel[3].masstoneLoadGm2;
    plainPaintKernel.colour(recipe, tile);
    for (let pixel = 0; pixel < tile.pixels; pixel++) {
      const first: Mix = { parts: [{ pigment: panel[pixel], parts: 1 }], strength: 0.3, filmUm: 100 };
      const lab = labOf(glazeReflectance(paper, [first, second]));
      expect(deltaE00(seenAt(tile, pixel), labOfHex(hexOf(lab)))).toBeLessThan(1);
    }
  });

  it('refuses a seventh pigment', () =>
    expect(() => paintRecipe([...panel, pigmentByCode('PG7')])).toThrow(/at most 6/));
});

describe('fewer bands', () => {
  const difference = (bands: BandSet): number[] => {
    const [full, few] = [
      filmColourist(panel, groundOf(paper, [])),
      filmColourist(panel, groundOf(paper, []), bands),
    ];
    const all: number[] = [];
    for (const [i, one] of panel.entries())
      for (const [j, other] of panel.entries())
        for (const strength of STRENGTHS) {
          const loads = new Float64Array(panel.length);
          loads[i] += strength * one.masstoneLoadGm2 * 0.6;
          loads[j] += strength * other.masstoneLoadGm2 * 0.4;
          all.push(deltaE00(full.colourOf(loads), few.colourOf(loads)));
        }
    return all.sort((a, b) => a - b);
  };

  it('twelve are within 0.1 in the mean and 0.3 at the 95th of a hundred', () => {
    const all = difference(TWELVE_BANDS);
    expect(all.reduce((a, b) => a + b, 0) / all.length).toBeLessThan(0.1);
    expect(all[Math.floor(0.95 * all.length)]).toBeLessThan(0.3);
  });

  it('eight are within a just noticeable difference', () => {
    const all = difference(EIGHT_BANDS);
    expect(all.reduce((a, b) => a + b, 0) / all.length).toBeLessThan(0.5);
  });
});
