import { putPixel } from '../../kit/colour';
import { filmSums, laySums, sumFilm } from './film';
import type { PaintKernel, PaintRecipe, PaintTile } from './painting';
import { interfaceAt, seenThrough } from './surface';

/** The painting kernel in plain code, for where the compiled one does not load, and to check it by. */
export const plainPaintKernel: PaintKernel = {
  name: 'plain',

  colour({ optics, toScreen }, { pixels, loads, wetness, dryGround, wetGround, rgba }) {
    const n = optics.bands.index.length;
    const sums = filmSums(optics);
    const film = new Float64Array(optics.flakes.length);
    const seen = new Float64Array(n);
    for (let pixel = 0; pixel < pixels; pixel++) {
      const wet = wetness[pixel];
      const surface = interfaceAt(wet);
      for (let i = 0; i < film.length; i++) film[i] = loads[i * pixels + pixel];
      for (let band = 0, at = pixel * n; band < n; band++, at++)
        seen[band] = dryGround[at] + (wetGround[at] - dryGround[at]) * wet;
      sumFilm(optics, film, sums);
      laySums(sums, 1, surface.pigmentScatter, seen, seen);
      let r = 0;
      let g = 0;
      let b = 0;
      for (let band = 0; band < n; band++) {
        const light = seenThrough(surface, seen[band]);
        r += toScreen[band] * light;
        g += toScreen[n + band] * light;
        b += toScreen[2 * n + band] * light;
      }
      putPixel(r, g, b, rgba, pixel * 4);
    }
  },

  fold(recipe, tile) {
    foldInto(recipe, tile, tile.dryGround);
    foldInto(recipe, tile, tile.wetGround);
  },
};

function foldInto({ optics }: PaintRecipe, { pixels, loads }: PaintTile, ground: Float32Array): void {
  const n = optics.bands.index.length;
  const sums = filmSums(optics);
  const film = new Float64Array(optics.flakes.length);
  const under = new Float64Array(n);
  for (let pixel = 0; pixel < pixels; pixel++) {
    for (let i = 0; i < film.length; i++) film[i] = loads[i * pixels + pixel];
    under.set(ground.subarray(pixel * n, (pixel + 1) * n));
    sumFilm(optics, film, sums);
    laySums(sums, 1, 1, under, under);
    ground.set(under, pixel * n);
  }
}
