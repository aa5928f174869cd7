import type { Paper } from '../../materials/paper';
import type { Work } from '../../kit/units';
import { cellAt, cornerOf, lookingAtRelief, RELIEF_PX_MM, type PanelRun, type Relief } from '../water';
import type { PixelBox } from './zones';

/** The sheet's relief at the pixels of a box, `[row · columns + column]`. */
export interface PixelRelief {
  /** Standard deviation, µm. */
  readonly spreadUm: number;
  /** Height about the mean, in standard deviations, and how far it is above its cell's. */
  readonly height: Float32Array;
  readonly below: Float32Array;
  readonly clumps: Float32Array;
  /** How far the surface falls away from a lamp at the upper left, about ±1. */
  readonly slope: Float32Array;
}

/** How far relief moves the outline of a wash to and fro, mm a standard deviation (fitted). */
const ROUGHNESS_MM: Readonly<Record<Paper['surface'], number>> = {
  hot: 0.014,
  card: 0.014,
  cold: 0.03,
  rough: 0.06,
};

/** A single pit or hill moves an outline no further than so many standard deviations would. */
const FURTHEST = 2;

/** How far the paper moves an outline inwards at a place of such a height, mm. */
export const roughness = (surface: Paper['surface'], height: number): number =>
  ROUGHNESS_MM[surface] * Math.max(-FURTHEST, Math.min(FURTHEST, height));

/** The relief under a box of pixels. */
export function* reliefUnder({ panel, paper, seed }: PanelRun, box: PixelBox): Work<PixelRelief> {
  const { pxPerMm, left, top, columns, rows } = box;
  const tile = yield* lookingAtRelief(paper.surface);
  const [x0, y0] = cornerOf(seed);
  const n = columns * rows;
  const height = new Float32Array(n);
  const below = new Float32Array(n);
  const clumps = new Float32Array(n);
  const slope = new Float32Array(n);
  const spreadUm = paper.reliefUm / 2;
  const pxPerCell = panel.cellMm * pxPerMm;
  const perPixel = RELIEF_PX_MM / pxPerMm;
  for (let row = 0; row < rows; row++) {
    const y = y0 + (top + row + 0.5) * perPixel - 0.5;
    const cy = (top + row + 0.5) / pxPerCell - 0.5;
    for (let column = 0; column < columns; column++) {
      const at = row * columns + column;
      const x = x0 + (left + column + 0.5) * perPixel - 0.5;
      height[at] = between(tile.height, tile.side, x, y);
      clumps[at] = between(tile.clumps, tile.side, x, y);
      slope[at] =
        between(tile.height, tile.side, x - LOOKS, y - LOOKS) -
        between(tile.height, tile.side, x + LOOKS, y + LOOKS);
      const cx = (left + column + 0.5) / pxPerCell - 0.5;
      const mean = spreadUm > 0 ? cellMean(panel, cx, cy) / spreadUm : 0;
      below[at] = height[at] - mean;
    }
  }
  return { spreadUm, height, below, clumps, slope };
}

/** The relief under a part of a box. */
export function partOfRelief(relief: PixelRelief, of: PixelBox, part: PixelBox): PixelRelief {
  const cut = (values: Float32Array): Float32Array => {
    const own = new Float32Array(part.columns * part.rows);
    for (let row = 0; row < part.rows; row++) {
      const from = (part.top - of.top + row) * of.columns + part.left - of.left;
      own.set(values.subarray(from, from + part.columns), row * part.columns);
    }
    return own;
  };
  return {
    ...{ spreadUm: relief.spreadUm, height: cut(relief.height), below: cut(relief.below) },
    ...{ clumps: cut(relief.clumps), slope: cut(relief.slope) },
  };
}

/** The slope is taken over so many points of the tile each way. */
const LOOKS = 0.7;

/** A field between its points, which repeats. */
function between(field: Relief['height'], side: number, x: number, y: number): number {
  const [x0, y0] = [Math.floor(x), Math.floor(y)];
  const [u, v] = [x - x0, y - y0];
  const mask = side - 1;
  const upper = (y0 & mask) * side;
  const lower = ((y0 + 1) & mask) * side;
  const [west, east] = [x0 & mask, (x0 + 1) & mask];
  const above = field[upper + west] + u * (field[upper + east] - field[upper + west]);
  const beneath = field[lower + west] + u * (field[lower + east] - field[lower + west]);
  return above + v * (beneath - above);
}

/** The cells' heights between their middles, µm. */
function cellMean(panel: PanelRun['panel'], x: number, y: number): number {
  const x0 = Math.max(0, Math.min(panel.columns - 1, Math.floor(x)));
  const y0 = Math.max(0, Math.min(panel.rows - 1, Math.floor(y)));
  const [x1, y1] = [Math.min(panel.columns - 1, x0 + 1), Math.min(panel.rows - 1, y0 + 1)];
  const [u, v] = [Math.max(0, Math.min(1, x - x0)), Math.max(0, Math.min(1, y - y0))];
  const { relief } = panel;
  const above = (1 - u) * relief[cellAt(panel, x0, y0)] + u * relief[cellAt(panel, x1, y0)];
  const beneath = (1 - u) * relief[cellAt(panel, x0, y1)] + u * relief[cellAt(panel, x1, y1)];
  return above + v * (beneath - above);
}
