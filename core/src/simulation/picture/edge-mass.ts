import { near, ZONES_A_CELL, type CellZones, type ZoneDensities } from './densities';
import { placesAt, valueAt, type Divided, type Places } from './interpolation';

/** The cells along edges and those beside them, their pixels, and which cell each lies in. */
export interface EdgePixels {
  readonly cells: Int32Array;
  readonly places: Places;
  readonly cellOf: Int32Array;
  /** Pixels a cell has. */
  readonly each: number;
}

/** Cells along edges hold together what they should over a box of so many cells each way. */
const MATCHED_OVER = 4;

/** What an edge holds is changed by no more than this factor. */
const MOST_MATCHED = 1.7;

/** Finds the pixels of the cells along edges. */
export function edgePixels({ box, pixels, cells, pxPerCell }: Divided): EdgePixels {
  const { column, row, columns } = cells.window;
  const which: number[] = [];
  const cellOf: number[] = [];
  const first = (cell: number, start: number): number =>
    Math.max(0, Math.ceil(cell * pxPerCell - start - 0.5));
  const about = withNeighbours(cells);
  for (const cell of about) {
    const [x, y] = [column + (cell % columns), row + Math.floor(cell / columns)];
    const right = Math.min(box.columns, first(x + 1, box.left));
    const bottom = Math.min(box.rows, first(y + 1, box.top));
    for (let py = first(y, box.top); py < bottom; py++)
      for (let px = first(x, box.left); px < right; px++) {
        which.push(py * box.columns + px);
        cellOf.push(cell);
      }
  }
  return {
    cells: about,
    places: placesAt({ box, pixels, cells, pxPerCell }, Int32Array.from(which)),
    cellOf: Int32Array.from(cellOf),
    each: pxPerCell ** 2,
  };
}

/** Sees to it that what is drawn along edges is as much as lies there: nearby as well as can be, and on the whole exactly. */
export function matchEdges(cells: CellZones, edges: EdgePixels, densities: ZoneDensities): void {
  if (edges.cells.length === 0 || densities.isNone) return;
  const { columns, rows } = cells.window;
  const { mass } = densities;
  const wanted = sumsOver(cells.window, edges.cells, (cell) => mass[cell]);
  const whole = wanted.at(-1)!;
  if (whole === 0) return;
  const drawnFirst = drawnIn(cells, edges, densities);
  const told = sumsOver(cells.window, edges.cells, (cell) => drawnFirst[cell]);
  for (const cell of edges.cells) {
    const there = boxOf(told, cell, columns, rows);
    if (there <= 0) continue;
    const factor = boxOf(wanted, cell, columns, rows) / there;
    scale(cells, densities, cell, Math.min(MOST_MATCHED, Math.max(1 / MOST_MATCHED, factor)));
  }
  const drawn = drawnIn(cells, edges, densities).reduce((sum, value) => sum + value, 0);
  if (drawn > 0) for (const cell of edges.cells) scale(cells, densities, cell, whole / drawn);
}

/** Cells along edges, and those beside them: what an edge holds is drawn a little way into them. */
const withNeighbours = ({ window, edges }: CellZones): Int32Array =>
  Int32Array.from(new Set([...edges].flatMap((cell) => [cell, ...near(cell, 1, window)])));

/** What is drawn in each cell along an edge. */
function drawnIn(
  { window }: CellZones,
  { places, cellOf, each }: EdgePixels,
  densities: ZoneDensities,
): Float64Array {
  const drawn = new Float64Array(window.columns * window.rows);
  for (let i = 0; i < cellOf.length; i++) drawn[cellOf[i]] += valueAt(places, i, densities) / each;
  return drawn;
}

function scale({ zones }: CellZones, { even, heaped }: ZoneDensities, cell: number, factor: number): void {
  for (let slot = cell * ZONES_A_CELL; slot < cell * ZONES_A_CELL + zones[cell]; slot++) {
    even[slot] *= factor;
    heaped[slot] *= factor;
  }
}

/** Sums over all cells above and left of each, of those along edges: a box's sum is told by its corners (Crow 1984). */
function sumsOver(
  { columns, rows }: CellZones['window'],
  edges: Int32Array,
  of: (cell: number) => number,
): Float64Array {
  const sums = new Float64Array((columns + 1) * (rows + 1));
  for (const cell of edges)
    sums[(Math.floor(cell / columns) + 1) * (columns + 1) + (cell % columns) + 1] = of(cell);
  for (let y = 1; y <= rows; y++)
    for (let x = 1; x <= columns; x++) {
      const at = y * (columns + 1) + x;
      sums[at] += sums[at - 1] + sums[at - columns - 1] - sums[at - columns - 2];
    }
  return sums;
}

function boxOf(sums: Float64Array, cell: number, columns: number, rows: number): number {
  const x = cell % columns;
  const y = Math.floor(cell / columns);
  const x0 = Math.max(0, x - MATCHED_OVER);
  const x1 = Math.min(columns, x + MATCHED_OVER + 1);
  const above = Math.max(0, y - MATCHED_OVER) * (columns + 1);
  const below = Math.min(rows, y + MATCHED_OVER + 1) * (columns + 1);
  return sums[below + x1] - sums[above + x1] - sums[below + x0] + sums[above + x0];
}
