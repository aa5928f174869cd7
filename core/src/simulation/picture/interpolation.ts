import { ZONES_A_CELL, slotOf, type CellZones, type ZoneDensities } from './densities';
import type { PixelBox, PixelZones } from './zones';

/** Four slots a pixel lies between, and what each counts, `[4 · pixel + k]`. */
interface Between {
  readonly slots: Int32Array;
  readonly weights: Float32Array;
}

/** Some pixels of a box among its cells: by their own zone, and by the zone beyond their edge. */
export interface Places {
  readonly pixels: PixelZones;
  /** Which pixels of the box. */
  readonly which: Int32Array;
  readonly own: Between;
  readonly beyond: Between;
}

/** Finds some pixels of a box among its cells. */
export function placesAt({ box, pixels, cells, pxPerCell }: Divided, which: Int32Array): Places {
  const n = which.length;
  const own = { slots: new Int32Array(4 * n), weights: new Float32Array(4 * n) };
  const beyond = { slots: new Int32Array(4 * n), weights: new Float32Array(4 * n) };
  const { column, row, columns, rows } = cells.window;
  for (let i = 0; i < n; i++) {
    const at = which[i];
    const y = (box.top + Math.floor(at / box.columns) + 0.5) / pxPerCell - 0.5 - row;
    const x = (box.left + (at % box.columns) + 0.5) / pxPerCell - 0.5 - column;
    const y0 = Math.max(0, Math.min(rows - 1, Math.floor(y)));
    const x0 = Math.max(0, Math.min(columns - 1, Math.floor(x)));
    const u = Math.max(0, Math.min(1, x - x0));
    const v = Math.max(0, Math.min(1, y - y0));
    const a = y0 * columns + x0;
    const right = x0 < columns - 1 ? 1 : 0;
    const down = y0 < rows - 1 ? columns : 0;
    find(cells, own, 4 * i, pixels.zone[at], a, right, down, u, v);
    if (pixels.cover[at] < 1) find(cells, beyond, 4 * i, pixels.beyond[at], a, right, down, u, v);
  }
  return { pixels, which, own, beyond };
}

/** Finds the slots of a zone in four cells, and what each counts (bilinear, of those that have the zone). */
function find(
  cells: CellZones,
  { slots, weights }: Between,
  to: number,
  zone: number,
  cell: number,
  right: number,
  down: number,
  u: number,
  v: number,
): void {
  let sum = 0;
  sum += put(cells, slots, weights, to, zone, cell, (1 - u) * (1 - v));
  sum += put(cells, slots, weights, to + 1, zone, cell + right, u * (1 - v));
  sum += put(cells, slots, weights, to + 2, zone, cell + down, (1 - u) * v);
  sum += put(cells, slots, weights, to + 3, zone, cell + right + down, u * v);
  if (sum === 0) {
    // None of the four has the zone: what lies in the nearest is the best that is known.
    slots[to] = (cell + (u < 0.5 ? 0 : right) + (v < 0.5 ? 0 : down)) * ZONES_A_CELL;
    weights[to] = 1;
  } else if (sum < 1) for (let k = to; k < to + 4; k++) weights[k] /= sum;
}

function put(
  cells: CellZones,
  slots: Int32Array,
  weights: Float32Array,
  to: number,
  zone: number,
  cell: number,
  weight: number,
): number {
  const slot = slotOf(cells, cell, zone);
  if (slot < 0) return 0;
  slots[to] = slot;
  weights[to] = weight;
  return weight;
}

/**
 * What lies at the pixels of a strip of a box, written into `values`. Away from edges the four cells about a pixel are of one zone,
 * and nothing has to be looked up.
 */
export function stripValues(
  { box, pixels, cells, pxPerCell }: Divided,
  strip: PixelBox,
  densities: ZoneDensities,
  values: Float32Array,
): void {
  const { column: firstColumn, row: firstRow, columns, rows } = cells.window;
  const { even } = densities;
  const { isEdge } = cells;
  const lines = pixels.line;
  const one = {
    ...{ pixels, which: new Int32Array(1) },
    own: { slots: new Int32Array(4), weights: new Float32Array(4) },
    beyond: { slots: new Int32Array(4), weights: new Float32Array(4) },
  };
  const atEdge = (cell: number, right: number, down: number, u: number, v: number, at: number): number => {
    one.which[0] = at;
    one.own.weights.fill(0);
    find(cells, one.own, 0, pixels.zone[at], cell, right, down, u, v);
    if (pixels.cover[at] < 1) {
      one.beyond.weights.fill(0);
      find(cells, one.beyond, 0, pixels.beyond[at], cell, right, down, u, v);
    }
    return valueAt(one, 0, densities);
  };
  const across = between1d(strip.left, strip.columns, pxPerCell, firstColumn, columns);
  const along = between1d(strip.top, strip.rows, pxPerCell, firstRow, rows);
  let to = 0;
  for (let row = 0; row < strip.rows; row++) {
    const v = along.share[row];
    const line = along.cell[row] * columns;
    const down = along.next[row] * columns;
    let at = (strip.top - box.top + row) * box.columns + strip.left - box.left;
    for (let column = 0; column < strip.columns; column++, at++, to++) {
      const u = across.share[column];
      const cell = line + across.cell[column];
      const right = across.next[column];
      if (isEdge[cell] === 0 && lines[at] === 0) {
        const a = cell * ZONES_A_CELL;
        const b = a + right * ZONES_A_CELL;
        const c = a + down * ZONES_A_CELL;
        const d = c + right * ZONES_A_CELL;
        const above = even[a] + u * (even[b] - even[a]);
        values[to] = above + v * (even[c] + u * (even[d] - even[c]) - above);
      } else values[to] = atEdge(cell, right, down, u, v, at);
    }
  }
}

/** Of each pixel of a line the cell before it, whether there is another behind that, and how far it is on the way there. */
function between1d(start: number, pixels: number, pxPerCell: number, first: number, cells: number) {
  const cell = new Int32Array(pixels);
  const next = new Int32Array(pixels);
  const share = new Float32Array(pixels);
  for (let i = 0; i < pixels; i++) {
    const x = (start + i + 0.5) / pxPerCell - 0.5 - first;
    cell[i] = Math.max(0, Math.min(cells - 1, Math.floor(x)));
    next[i] = cell[i] < cells - 1 ? 1 : 0;
    share[i] = Math.max(0, Math.min(1, x - cell[i]));
  }
  return { cell, next, share };
}

/** A box of pixels and the cells it lies on, divided by the outlines. */
export interface Divided {
  readonly box: PixelBox;
  readonly pixels: PixelZones;
  readonly cells: CellZones;
  readonly pxPerCell: number;
}

/** What lies at one of some pixels. */
export function valueAt({ pixels, which, own, beyond }: Places, i: number, densities: ZoneDensities): number {
  const at = which[i];
  const line = pixels.line[at];
  const cover = pixels.cover[at];
  const value = between(own.slots, own.weights, 4 * i, densities.even, densities.heaped, line);
  return cover < 1
    ? cover * value +
        (1 - cover) * between(beyond.slots, beyond.weights, 4 * i, densities.even, densities.heaped, line)
    : value;
}

function between(
  slots: Int32Array,
  weights: Float32Array,
  from: number,
  even: Float32Array,
  heaped: Float32Array,
  line: number,
): number {
  const a = slots[from];
  const b = slots[from + 1];
  const c = slots[from + 2];
  const d = slots[from + 3];
  const p = weights[from];
  const q = weights[from + 1];
  const r = weights[from + 2];
  const s = weights[from + 3];
  const value = p * even[a] + q * even[b] + r * even[c] + s * even[d];
  return line === 0 ? value : value + line * (p * heaped[a] + q * heaped[b] + r * heaped[c] + s * heaped[d]);
}
