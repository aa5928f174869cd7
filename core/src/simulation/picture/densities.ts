import type { Panel } from '../water';
import type { PixelBox, PixelZones } from './zones';

/** A box of cells about a box of pixels, with so many more round it that what is near is known. */
export interface CellWindow {
  readonly column: number;
  readonly row: number;
  readonly columns: number;
  readonly rows: number;
}

/** Zones told apart in one cell; a cell where more of them meet is rare, and the smallest are told with the largest. */
export const ZONES_A_CELL = 4;

/** Which zones lie in each cell of a window, and what share of the cell is each, `[cell · ZONES_A_CELL + k]`. */
export interface CellZones {
  readonly window: CellWindow;
  readonly zone: Uint16Array;
  readonly share: Float32Array;
  /** How many zones a cell has. */
  readonly zones: Uint8Array;
  /** Cells in which several zones meet, and those beside another zone, corners counted. */
  readonly edges: Int32Array;
  readonly isEdge: Uint8Array;
  /** Mean over a zone's pixels of a line along its edge: what is heaped there is spread over them so that it stays as much. */
  readonly lined: Float32Array;
}

/** Counts the pixels of every zone in every cell. A cell without a pixel of its own lies in the zone of its nearest. */
export function cellZones(panel: Panel, box: PixelBox, pixels: PixelZones): CellZones {
  const pxPerCell = panel.cellMm * box.pxPerMm;
  const column = Math.max(0, Math.floor(box.left / pxPerCell));
  const row = Math.max(0, Math.floor(box.top / pxPerCell));
  const columns = Math.min(panel.columns, Math.ceil((box.left + box.columns) / pxPerCell)) - column;
  const rows = Math.min(panel.rows, Math.ceil((box.top + box.rows) / pxPerCell)) - row;
  const zone = new Uint16Array(columns * rows * ZONES_A_CELL);
  const share = new Float32Array(columns * rows * ZONES_A_CELL);
  const zones = new Uint8Array(columns * rows);
  const lined = new Float32Array(columns * rows * ZONES_A_CELL);
  const from = (cell: number, start: number, most: number): number =>
    Math.min(most - 1, Math.max(0, Math.ceil(cell * pxPerCell - start - 0.5)));
  for (let y = 0; y < rows; y++)
    for (let x = 0; x < columns; x++) {
      const cell = y * columns + x;
      const x0 = from(column + x, box.left, box.columns);
      const y0 = from(row + y, box.top, box.rows);
      const x1 = Math.max(x0 + 1, from(column + x + 1, box.left, box.columns + 1));
      const y1 = Math.max(y0 + 1, from(row + y + 1, box.top, box.rows + 1));
      const each = 1 / ((x1 - x0) * (y1 - y0));
      for (let py = y0; py < y1; py++)
        for (let px = x0; px < x1; px++) {
          const own = pixels.zone[py * box.columns + px];
          const slot = cell * ZONES_A_CELL;
          let k = 0;
          while (k < zones[cell] && zone[slot + k] !== own) k++;
          if (k === ZONES_A_CELL) k = 0;
          else if (k === zones[cell]) {
            zone[slot + k] = own;
            zones[cell]++;
          }
          share[slot + k] += each;
          lined[slot + k] += each * pixels.line[py * box.columns + px];
        }
    }
  for (let slot = 0; slot < lined.length; slot++) if (share[slot] > 0) lined[slot] /= share[slot];
  const counted = { window: { column, row, columns, rows }, zone, share, zones, lined };
  const edges = edgesOf(counted);
  const isEdge = new Uint8Array(columns * rows);
  for (const cell of edges) isEdge[cell] = 1;
  return { ...counted, isEdge, edges };
}

/** Cells in which several zones meet, and those beside another zone. */
function edgesOf(cells: Pick<CellZones, 'window' | 'zone' | 'zones'>): Int32Array {
  const { columns, rows } = cells.window;
  const edges: number[] = [];
  for (let y = 0; y < rows; y++)
    for (let x = 0; x < columns; x++) {
      const cell = y * columns + x;
      let isEdge = cells.zones[cell] > 1;
      for (let cy = Math.max(0, y - 1); !isEdge && cy <= Math.min(rows - 1, y + 1); cy++)
        for (let cx = Math.max(0, x - 1); cx <= Math.min(columns - 1, x + 1); cx++)
          isEdge ||= isOther(cells, cell, cy * columns + cx);
      if (isEdge) edges.push(cell);
    }
  return Int32Array.from(edges);
}

/** Whether a cell is beside another zone than its own. */
const isOther = ({ zone, zones }: Pick<CellZones, 'zone' | 'zones'>, cell: number, beside: number): boolean =>
  zones[beside] > 1 || zone[beside * ZONES_A_CELL] !== zone[cell * ZONES_A_CELL];

/** Where a zone stands among those of a cell; −1 where the cell has none of it. */
export function slotOf({ zone, zones }: CellZones, cell: number, wanted: number): number {
  const slot = cell * ZONES_A_CELL;
  for (let k = 0; k < zones[cell]; k++) if (zone[slot + k] === wanted) return slot + k;
  return -1;
}

/** How densely something lies in every zone of every cell, `[cell · ZONES_A_CELL + k]`: evenly, and heaped along the edge. */
export interface ZoneDensities {
  readonly even: Float32Array;
  readonly heaped: Float32Array;
  /** What every cell is to hold on the whole. */
  readonly mass: Float32Array;
  /** There is nothing of it in any cell. */
  readonly isNone: boolean;
}

/** Cells looked at for what a zone holds beyond an edge, each way. */
const LOOKS = 2;

/** The nearer and the purer a cell, the more it tells; its share in a zone counts by this power. */
const PURITY = 6;

/** Of a cell, of each beside it and of each at its corners bilinear pixels take so much. */
const OF_MIDDLE = 9 / 16;
const OF_SIDE = 3 / 32;
const OF_CORNER = 1 / 64;

/** What is heaped on an edge is told from what lies so many cells further in. */
const FURTHER_IN = 3;

/**
 * Spreads what lies in each cell of a window, `mass`, over its zones. In a cell that is all one zone that is what the cell holds; where an edge runs
 * through, a zone goes on as it does beside it (normalised convolution; Knutsson & Westin 1993). Paint, unlike water, is heaped along edges.
 */
export function densitiesOf(cells: CellZones, mass: Float32Array, isPaint: boolean): ZoneDensities {
  const { window, zone, zones } = cells;
  const { columns, rows } = window;
  const n = columns * rows;
  let any = 0;
  for (let cell = 0; cell < n; cell++) any += mass[cell];
  const even = new Float32Array(n * ZONES_A_CELL);
  const heaped = new Float32Array(n * ZONES_A_CELL);
  if (any === 0) return { even, heaped, mass, isNone: true };
  takeBack(cells, mass);
  const mixed = cells.edges.filter((cell) => zones[cell] > 1);
  for (let cell = 0; cell < n; cell++) if (zones[cell] === 1) even[cell * ZONES_A_CELL] = mass[cell];
  for (const cell of mixed)
    for (let k = 0; k < zones[cell]; k++) {
      const slot = cell * ZONES_A_CELL + k;
      even[slot] = continued(cells, mass, cell, zone[slot]);
    }
  if (isPaint) {
    sharpen(cells, mass, even);
    heap(cells, even, heaped);
  }
  return { even, heaped, mass, isNone: false };
}

/** The zone in which nothing was laid. */
const BARE = 0;

/**
 * A cell that an outline barely cuts is filled as its neighbours are, though nearly all of it is bare: what it holds beyond what
 * ran on from there is taken back across the edge.
 */
function takeBack({ window, zone, zones, edges }: CellZones, mass: Float32Array): void {
  const isBare = (cell: number): boolean => zones[cell] === 1 && zone[cell * ZONES_A_CELL] === BARE;
  const found: [cell: number, over: number, painted: number[]][] = [];
  for (const cell of edges) {
    if (mass[cell] === 0 || !isBare(cell)) continue;
    const painted = near(cell, 1, window).filter((other) => !isBare(other));
    const beyond = near(cell, 2, window).filter(
      (other) => isBare(other) && near(other, 1, window).every(isBare),
    );
    const ranOn = beyond.reduce((sum, other) => sum + mass[other], 0) / Math.max(1, beyond.length);
    if (mass[cell] > ranOn) found.push([cell, mass[cell] - ranOn, painted]);
  }
  for (const [cell, over, painted] of found) {
    mass[cell] -= over;
    for (const other of painted) mass[other] += over / painted.length;
  }
}

/** The cells of a window so near a cell, itself left out. */
export function near(cell: number, reach: number, { columns, rows }: CellWindow): number[] {
  const x = cell % columns;
  const y = Math.floor(cell / columns);
  const cells: number[] = [];
  for (let cy = Math.max(0, y - reach); cy <= Math.min(rows - 1, y + reach); cy++)
    for (let cx = Math.max(0, x - reach); cx <= Math.min(columns - 1, x + reach); cx++)
      if (cx !== x || cy !== y) cells.push(cy * columns + cx);
  return cells;
}

/** What a zone would hold in a cell, from the cells about it that tell: those that are all of it, or else the purest. */
function continued(
  { window: { columns, rows }, zone, share, zones }: CellZones,
  mass: Float32Array,
  cell: number,
  wanted: number,
): number {
  const [x, y] = [cell % columns, Math.floor(cell / columns)];
  let whole = 0;
  let wholeWeights = 0;
  let mixed = 0;
  let mixedWeights = 0;
  for (let dy = -LOOKS; dy <= LOOKS; dy++)
    for (let dx = -LOOKS; dx <= LOOKS; dx++) {
      const [cx, cy] = [x + dx, y + dy];
      if (cx < 0 || cy < 0 || cx >= columns || cy >= rows) continue;
      const other = cy * columns + cx;
      const slot = zones[other] === 1 ? other * ZONES_A_CELL : -1;
      const near = 1 / (1 + dx * dx + dy * dy);
      if (slot >= 0 && zone[slot] === wanted) {
        whole += near * mass[other];
        wholeWeights += near;
      } else
        for (let k = other * ZONES_A_CELL; k < other * ZONES_A_CELL + zones[other]; k++) {
          if (zone[k] !== wanted) continue;
          const weight = near * share[k] ** PURITY;
          mixed += weight * mass[other];
          mixedWeights += weight;
        }
    }
  if (wholeWeights > 0) return whole / wholeWeights;
  return mixedWeights > 0 ? mixed / mixedWeights : mass[cell];
}

/**
 * Makes up for what bilinear pixels take from a whole cell and give to its neighbours, as far as those are its zone too (one
 * round of back-projection; Irani & Peleg 1991).
 */
function sharpen(cells: CellZones, mass: Float32Array, even: Float32Array): void {
  const { window, zone, zones, isEdge } = cells;
  const { columns, rows } = window;
  const smooth = even.slice();
  const down = columns * ZONES_A_CELL;
  for (let y = 1; y < rows - 1; y++)
    for (let x = 1; x < columns - 1; x++) {
      const cell = y * columns + x;
      if (zones[cell] !== 1) continue;
      const at = cell * ZONES_A_CELL;
      const here = smooth[at];
      let sides = 0;
      let corners = 0;
      if (isEdge[cell] === 0) {
        const [left, right] = [at - ZONES_A_CELL, at + ZONES_A_CELL];
        sides = smooth[left] + smooth[right] + smooth[at - down] + smooth[at + down];
        corners = smooth[left - down] + smooth[right - down] + smooth[left + down] + smooth[right + down];
      } else
        for (const other of near(cell, 1, window)) {
          const slot = slotOf(cells, other, zone[at]);
          const held = slot < 0 ? here : smooth[slot];
          if (other % columns === x || Math.floor(other / columns) === y) sides += held;
          else corners += held;
        }
      even[at] = Math.max(0, here + mass[cell] - (OF_MIDDLE * here + OF_SIDE * sides + OF_CORNER * corners));
    }
}

/**
 * Takes the paint heaped along an edge from the cells there, as far as it is more than lies further in, and lays it into a line
 * at the edge itself.
 */
function heap(cells: CellZones, even: Float32Array, heaped: Float32Array): void {
  const { zones, share, lined, edges } = cells;
  const within = new Float32Array(even.length);
  const excess = new Float32Array(even.length);
  const found: number[] = [];
  for (const cell of edges)
    for (let slot = cell * ZONES_A_CELL; slot < cell * ZONES_A_CELL + zones[cell]; slot++) {
      within[slot] = even[slot] > 0 ? furtherIn(cells, even, slot) : NaN;
      if (within[slot] < even[slot]) found.push(slot);
    }
  for (const slot of found) {
    const to = lined[slot] >= LEAST_LINED ? [slot] : lineBeside(cells, slot);
    if (to.length === 0) continue;
    const over = (even[slot] - within[slot]) * share[slot];
    even[slot] = within[slot];
    for (const one of to) excess[one] += over / to.length;
  }
  for (let slot = 0; slot < excess.length; slot++) {
    if (excess[slot] === 0) continue;
    const most = HIGHEST_LINE * (within[slot] || even[slot]);
    heaped[slot] = Math.min(most, excess[slot] / (share[slot] * lined[slot]));
    even[slot] += excess[slot] / share[slot] - heaped[slot] * lined[slot];
  }
}

/** The line along an edge is no higher than this share of what lies further in; more lies beside it. */
const HIGHEST_LINE = 0.8;

/** Where so little of a zone is near its edge, nothing is heaped. */
const LEAST_LINED = 0.3;

/** What a zone holds beyond the cells along its edge; NaN where there is nothing beyond them. */
function furtherIn({ window, zone, isEdge }: CellZones, even: Float32Array, slot: number): number {
  let sum = 0;
  let count = 0;
  for (const other of near(Math.floor(slot / ZONES_A_CELL), FURTHER_IN, window)) {
    const first = other * ZONES_A_CELL;
    if (isEdge[other] === 1 || zone[first] !== zone[slot]) continue;
    sum += even[first];
    count++;
  }
  return sum / count;
}

/** Slots of the same zone in the cells about one, in which its edge runs. */
const lineBeside = (cells: CellZones, slot: number): number[] =>
  near(Math.floor(slot / ZONES_A_CELL), 1, cells.window)
    .map((other) => slotOf(cells, other, cells.zone[slot]))
    .filter((other) => other >= 0 && cells.lined[other] >= LEAST_LINED);
