import { BYTE_OF_LIGHT, BYTE_STEPS, hexOf, LIGHT_OF_BYTE, type Lab } from '../../kit/colour';
import type { Point } from '../../kit/geometry';
import { BadInput } from '../../kit/units';
import type { Photo } from './photo';

/** How wide a place is looked at, as a share of the picture’s shorter edge: more than the paper’s own grain. */
const PLACE = 0.015;

/** Darker than this share of full light a place is no bare paper. */
const DARKEST_PAPER = 0.02;

/**
 * A picture with its light put right by places where the paper is bare: there it becomes the paper’s own white. From three
 * places that lie apart on, the light may also fall off across the picture (a plane of log light for each channel, by least
 * squares); from fewer it is taken as even. Throws `BadInput` on `bare` when a place is too dark to be paper.
 */
export function correctedOnPaper(photo: Photo, bare: readonly Point[], white: Lab): Photo {
  if (bare.length === 0) return photo;
  const seen = bare.map((at) => lightAt(photo, at));
  seen.forEach((light, i) => {
    if (Math.min(...light) < DARKEST_PAPER)
      throw new BadInput('bare', `the ${i + 1}. place is too dark to be bare paper`);
  });
  const wanted = bytesOf(white).map((byte) => LIGHT_OF_BYTE[byte]);
  const planes = wanted.map((target, c) =>
    plane(
      bare,
      seen.map((light) => Math.log(target / light[c])),
    ),
  );
  const { width, height, rgba } = photo;
  const put = new Uint8ClampedArray(rgba);
  for (let row = 0; row < height; row++)
    for (let column = 0; column < width; column++) {
      const at = 4 * (row * width + column);
      for (let c = 0; c < 3; c++) {
        const [level, across, down] = planes[c];
        const gain = Math.exp(level + (across * (column + 0.5)) / width + (down * (row + 0.5)) / height);
        const light = Math.min(1, LIGHT_OF_BYTE[rgba[at + c]] * gain);
        put[at + c] = BYTE_OF_LIGHT[Math.floor(Math.sqrt(light) * (BYTE_STEPS - 1) + 0.5)];
      }
    }
  return { width, height, rgba: put };
}

const bytesOf = (white: Lab): number[] =>
  [1, 3, 5].map((at) => Number.parseInt(hexOf(white).slice(at, at + 2), 16));

/** Mean linear light of the pixels round a place, by channel. */
function lightAt({ width, height, rgba }: Photo, [u, v]: Point): [number, number, number] {
  const reach = Math.max(1, Math.round(PLACE * Math.min(width, height)));
  const [x, y] = [Math.min(width - 1, Math.floor(u * width)), Math.min(height - 1, Math.floor(v * height))];
  const light: [number, number, number] = [0, 0, 0];
  let count = 0;
  for (let row = Math.max(0, y - reach); row <= Math.min(height - 1, y + reach); row++)
    for (let column = Math.max(0, x - reach); column <= Math.min(width - 1, x + reach); column++) {
      count++;
      for (let c = 0; c < 3; c++) light[c] += LIGHT_OF_BYTE[rgba[4 * (row * width + column) + c]];
    }
  return [light[0] / count, light[1] / count, light[2] / count];
}

/** Places that lie nearer one line than this, as the determinant of their spread, say nothing of a slope. */
const APART = 1e-3;

/** The plane `level + across·u + down·v` nearest to values at places; level ground when they do not span one. */
function plane(places: readonly Point[], values: readonly number[]): [number, number, number] {
  const n = places.length;
  const mean = (list: readonly number[]): number => list.reduce((a, b) => a + b, 0) / n;
  const [mu, mv, mw] = [mean(places.map(([u]) => u)), mean(places.map(([, v]) => v)), mean(values)];
  const about = (f: (u: number, v: number, w: number) => number): number =>
    mean(places.map(([u, v], i) => f(u - mu, v - mv, values[i] - mw)));
  const [uu, uv, vv] = [about((u) => u * u), about((u, v) => u * v), about((_, v) => v * v)];
  const spread = uu * vv - uv * uv;
  if (n < 3 || spread < APART * APART) return [mw, 0, 0];
  const [uw, vw] = [about((u, _, w) => u * w), about((_, v, w) => v * w)];
  const across = (uw * vv - vw * uv) / spread;
  const down = (vw * uu - uw * uv) / spread;
  return [mw - across * mu - down * mv, across, down];
}
