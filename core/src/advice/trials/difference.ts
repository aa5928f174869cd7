import { deltaE00, labOfLight, LIGHT_OF_BYTE, type Lab } from '../../kit/colour';
import { BadInput } from '../../kit/units';
import type { PanelPicture } from '../../simulation/picture';

/** How two sheets differ, place by place. */
export interface Difference {
  /** Dark where they differ, in greys of ΔE00. */
  readonly picture: PanelPicture;
  readonly meanDeltaE: number;
  readonly mostDeltaE: number;
  /** Share of the sheet that differs by more than can hardly be seen. */
  readonly seenShare: number;
}

/** A difference of this ΔE00 is black in the picture; one of that is just seen (CIE TC 1-47; our scale). */
const BLACK_AT = 20;
const JUST_SEEN = 2;

/** The difference of two sheets of one size. Throws `BadInput` when their shapes differ. */
export function difference(one: PanelPicture, other: PanelPicture): Difference {
  const [a, b] = [one.columns / one.rows, other.columns / other.rows];
  if (Math.abs(a / b - 1) > 0.01)
    throw new BadInput('sheets', 'are not of the same shape and cannot be laid over each other');
  const { columns, rows } = one.columns >= other.columns ? one : other;
  const rgba = new Uint8ClampedArray(4 * columns * rows);
  const apart = new Float64Array(columns * rows);
  const labs = new Map<number, Lab>();
  for (let row = 0; row < rows; row++)
    for (let column = 0; column < columns; column++) {
      const pixel = row * columns + column;
      apart[pixel] = deltaE00(
        labAt(one, column / columns, row / rows, labs),
        labAt(other, column / columns, row / rows, labs),
      );
      const grey = 255 * (1 - Math.min(1, apart[pixel] / BLACK_AT));
      rgba.set([grey, grey, grey, 255], 4 * pixel);
    }
  return {
    picture: { columns, rows, rgba },
    meanDeltaE: apart.reduce((sum, value) => sum + value, 0) / apart.length,
    mostDeltaE: apart.reduce((most, value) => Math.max(most, value), 0),
    seenShare: apart.filter((value) => value > JUST_SEEN).length / apart.length,
  };
}

/** The colour at a share of the way across and down; colours come again and again and are worked out once. */
function labAt({ columns, rows, rgba }: PanelPicture, x: number, y: number, labs: Map<number, Lab>): Lab {
  const at = 4 * (Math.floor(y * rows) * columns + Math.floor(x * columns));
  const [r, g, b] = [rgba[at], rgba[at + 1], rgba[at + 2]];
  const key = (r << 16) | (g << 8) | b;
  const known = labs.get(key);
  if (known) return known;
  const lab = labOfLight([LIGHT_OF_BYTE[r], LIGHT_OF_BYTE[g], LIGHT_OF_BYTE[b]]);
  labs.set(key, lab);
  return lab;
}
