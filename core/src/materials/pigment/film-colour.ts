import { FULL_BANDS, labOfXyz, thinned, type BandSet, type Lab, type Spectrum } from '../../kit/colour';
import { filmOptics, filmSums, laySums, sumFilm } from './film';
import type { Pigment } from './pigment';
import { interfaceAt, seenThrough } from './surface';

/** What films of a palette look like over one ground. */
export interface FilmColourist {
  /** Colour of a film with `loads` g/m² of each pigment, in the palette's order. */
  readonly colourOf: (loads: ArrayLike<number>) => Lab;
  /** Colours of the same film thinned to each of `strengths`, written as L*a*b* to `out` from `at`. */
  readonly tintsOf: (
    loads: ArrayLike<number>,
    strengths: readonly number[],
    out: Float32Array,
    at: number,
  ) => void;
}

/**
 * Prepares to colour many films of `palette` over one `ground` (internal reflectance, 36 bands). A solver asks
 * thousands of times, so the optics are gathered once and nothing is allocated but the answer.
 */
export function filmColourist(
  palette: readonly Pigment[],
  ground: Spectrum,
  bands: BandSet = FULL_BANDS,
  wetness = 0,
): FilmColourist {
  const optics = filmOptics(palette, bands);
  const surface = interfaceAt(wetness);
  const under = thinned(ground, bands);
  const sums = filmSums(optics);
  const seen = new Float64Array(under.length);
  const [wx, wy, wz] = bands.weights;

  function colourAt(share: number): Lab {
    laySums(sums, share, surface.pigmentScatter, under, seen);
    let x = 0;
    let y = 0;
    let z = 0;
    for (let band = 0; band < seen.length; band++) {
      const r = seenThrough(surface, seen[band]);
      x += wx[band] * r;
      y += wy[band] * r;
      z += wz[band] * r;
    }
    return labOfXyz({ x, y, z });
  }

  return {
    colourOf(loads) {
      sumFilm(optics, loads, sums);
      return colourAt(1);
    },
    tintsOf(loads, strengths, out, at) {
      sumFilm(optics, loads, sums);
      strengths.forEach((strength, i) => out.set(colourAt(strength), at + 3 * i));
    },
  };
}
