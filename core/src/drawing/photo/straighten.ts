import type { Point } from '../../kit/geometry';
import { BadInput } from '../../kit/units';
import type { Corners, Photo } from './photo';

/** A picture is looked at in so many places across and down for each pixel it becomes, so that fine lines do not break up. */
const LOOKS = 2;

/** Corners whose shape is thinner than this share of the picture are a slip of the hand. */
const SMALLEST = 1e-3;

/**
 * Leads from a place in a rectangle (shares of its width and height) to where it is seen, by the four places its corners
 * are seen at, clockwise from the upper left: the perspective of a flat thing (Heckbert 1989, square to quadrilateral).
 * Throws `BadInput` on `corners` when they go round the other way, cross, or lie on one line.
 */
export function inPerspective(corners: readonly [Point, Point, Point, Point]): (at: Point) => Point {
  corners.forEach((at, i) => {
    const [before, after] = [corners[(i + 3) % 4], corners[(i + 1) % 4]];
    const turn = (at[0] - before[0]) * (after[1] - at[1]) - (at[1] - before[1]) * (after[0] - at[0]);
    if (turn <= 0)
      throw new BadInput('corners', 'do not go round: upper left, upper right, lower right, lower left');
  });
  const [[x0, y0], [x1, y1], [x2, y2], [x3, y3]] = corners;
  const [dx1, dx2, dx3] = [x1 - x2, x3 - x2, x0 - x1 + x2 - x3];
  const [dy1, dy2, dy3] = [y1 - y2, y3 - y2, y0 - y1 + y2 - y3];
  const whole = dx1 * dy2 - dy1 * dx2;
  const g = (dx3 * dy2 - dy3 * dx2) / whole;
  const h = (dx1 * dy3 - dy1 * dx3) / whole;
  const [a, b] = [x1 - x0 + g * x1, x3 - x0 + h * x3];
  const [d, e] = [y1 - y0 + g * y1, y3 - y0 + h * y3];
  return ([u, v]) => {
    const depth = g * u + h * v + 1;
    return [(a * u + b * v + x0) / depth, (d * u + e * v + y0) / depth];
  };
}

/**
 * What lies within four corners of a picture, set straight into so many pixels. Throws `BadInput` on `corners` as
 * `seenThrough`, and when they lie so near each other that nothing is seen.
 */
export function straightened(photo: Photo, corners: Corners, width: number, height: number): Photo {
  const seen = inPerspective(corners);
  const [[x0, y0], [x1, y1], [x2, y2], [x3, y3]] = corners;
  const share = Math.abs((x2 - x0) * (y3 - y1) - (x3 - x1) * (y2 - y0)) / 2;
  if (share < SMALLEST) throw new BadInput('corners', 'lie too near each other');
  const rgba = new Uint8ClampedArray(4 * width * height);
  const sum = new Float64Array(4);
  for (let row = 0; row < height; row++)
    for (let column = 0; column < width; column++) {
      sum.fill(0);
      for (let look = 0; look < LOOKS * LOOKS; look++) {
        const u = (column + ((look % LOOKS) + 0.5) / LOOKS) / width;
        const v = (row + (Math.floor(look / LOOKS) + 0.5) / LOOKS) / height;
        const [x, y] = seen([u, v]);
        addAt(photo, x * photo.width - 0.5, y * photo.height - 0.5, sum);
      }
      const at = 4 * (row * width + column);
      for (let c = 0; c < 4; c++) rgba[at + c] = sum[c] / (LOOKS * LOOKS);
    }
  return { width, height, rgba };
}

/** Adds the colour between four pixels, by their nearness; outside the picture its edge goes on. */
function addAt({ width, height, rgba }: Photo, x: number, y: number, sum: Float64Array): void {
  const [left, top] = [Math.floor(x), Math.floor(y)];
  const [across, down] = [x - left, y - top];
  for (let corner = 0; corner < 4; corner++) {
    const [right, below] = [corner & 1, corner >> 1];
    const weight = (right ? across : 1 - across) * (below ? down : 1 - down);
    const column = Math.min(width - 1, Math.max(0, left + right));
    const row = Math.min(height - 1, Math.max(0, top + below));
    const at = 4 * (row * width + column);
    for (let c = 0; c < 4; c++) sum[c] += weight * rgba[at + c];
  }
}
