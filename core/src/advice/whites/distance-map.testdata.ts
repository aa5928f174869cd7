import { bounds, type Polygon } from '../../kit/geometry';

/** A region on a grid, and for every cell how far it lies from what is not in the region (Felzenszwalb & Huttenlocher 2012). */
export interface DistanceMap {
  readonly columns: number;
  readonly rows: number;
  readonly stepMm: number;
  readonly inside: Uint8Array;
  /** mm to the nearest cell outside; 0 outside. */
  readonly depthMm: Float64Array;
}

/** Room round the region, cells. */
const RIM = 2;

export function distanceMap(region: Polygon, stepMm: number): DistanceMap {
  const [x, y, width, height] = bounds(region);
  const columns = Math.ceil(width / stepMm) + 2 * RIM;
  const rows = Math.ceil(height / stepMm) + 2 * RIM;
  const inside = new Uint8Array(columns * rows);
  for (let row = 0; row < rows; row++) {
    // A row of cells at a time: the crossings of its middle with all rings.
    const level = y + (row - RIM + 0.5) * stepMm;
    const hits = region
      .flatMap((ring) =>
        ring.flatMap((a, i) => {
          const b = ring[(i + 1) % ring.length];
          return a[1] > level !== b[1] > level
            ? [a[0] + ((level - a[1]) / (b[1] - a[1])) * (b[0] - a[0])]
            : [];
        }),
      )
      .sort((a, b) => a - b);
    for (let i = 0; i + 1 < hits.length; i += 2)
      for (
        let column = Math.max(0, Math.ceil((hits[i] - x) / stepMm + RIM - 0.5));
        column < Math.min(columns, (hits[i + 1] - x) / stepMm + RIM - 0.5);
        column++
      )
        inside[row * columns + column] = 1;
  }
  return { columns, rows, stepMm, inside, depthMm: depths(inside, columns, rows, stepMm, 0) };
}

/** Distance of every cell to the nearest cell whose value is `to`, mm, from edge to middle. */
export function depths(
  cells: Uint8Array,
  columns: number,
  rows: number,
  stepMm: number,
  to: 0 | 1,
): Float64Array {
  const far = 1e12;
  const squares = Float64Array.from(cells, (cell) => (cell === to ? 0 : far));
  const longest = Math.max(columns, rows);
  const [f, d] = [new Float64Array(longest), new Float64Array(longest)];
  const [v, z] = [new Int32Array(longest), new Float64Array(longest + 1)];
  const line = (start: number, stride: number, length: number): void => {
    for (let i = 0; i < length; i++) f[i] = squares[start + i * stride];
    let k = 0;
    v[0] = 0;
    z[0] = -Infinity;
    z[1] = Infinity;
    const meet = (q: number, p: number): number => (f[q] + q * q - (f[p] + p * p)) / (2 * q - 2 * p);
    for (let q = 1; q < length; q++) {
      let s = meet(q, v[k]);
      while (s <= z[k]) s = meet(q, v[--k]);
      v[++k] = q;
      z[k] = s;
      z[k + 1] = Infinity;
    }
    k = 0;
    for (let q = 0; q < length; q++) {
      while (z[k + 1] < q) k++;
      d[q] = (q - v[k]) ** 2 + f[v[k]];
    }
    for (let i = 0; i < length; i++) squares[start + i * stride] = d[i];
  };
  for (let column = 0; column < columns; column++) line(column, columns, rows);
  for (let row = 0; row < rows; row++) line(row * columns, 1, columns);
  return squares.map((square) => (square === 0 ? 0 : (Math.sqrt(square) - 0.5) * stepMm));
}

/** Diameter of the largest circle within. */
export const inscribedIn = ({ depthMm }: DistanceMap): number => 2 * depthMm.reduce((a, b) => Math.max(a, b));

/** A part left out by a round tool is a corner when it is smaller than so many squares of the tool’s radius. */
const CORNER = 2;

/** Whether a round tool of a width gets into `share` of a region, corners counted as reached; found cell by cell. */
export function getsIn(map: DistanceMap, share: number, widthMm: number): boolean {
  const { columns, rows, stepMm, inside, depthMm } = map;
  const radius = widthMm / 2;
  const core = Uint8Array.from(depthMm, (depth) => (depth >= radius ? 1 : 0));
  const from = depths(core, columns, rows, stepMm, 1);
  const lost = Uint8Array.from(inside, (cell, i) => (cell && from[i] > radius ? 1 : 0));
  const missed = parts(lost, columns).filter((cells) => cells * stepMm ** 2 > CORNER * radius ** 2);
  const whole = inside.reduce((sum, cell) => sum + cell, 0);
  return missed.reduce((a, b) => a + b, 0) <= (1 - share) * whole;
}

/** Sizes of the connected parts of a set of cells. */
function parts(cells: Uint8Array, columns: number): number[] {
  const seen = new Uint8Array(cells.length);
  const sizes: number[] = [];
  const stack: number[] = [];
  for (let first = 0; first < cells.length; first++) {
    if (!cells[first] || seen[first]) continue;
    let size = 0;
    stack.push(first);
    seen[first] = 1;
    while (stack.length > 0) {
      const cell = stack.pop()!;
      size++;
      for (const next of [cell - 1, cell + 1, cell - columns, cell + columns])
        if (cells[next] && !seen[next]) {
          seen[next] = 1;
          stack.push(next);
        }
    }
    sizes.push(size);
  }
  return sizes;
}
