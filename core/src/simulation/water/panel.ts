import { BadInput } from '../../kit/units';

/** The most cells a panel may have: a 178 × 254 mm sheet at 0.25 mm, and some. */
export const MOST_CELLS = 1_000_000;

/** Columns of a strip: sixteen floats are a line of the machine's cache. `cellAt` counts on it. */
const STRIP = 16;

/**
 * A panel's grid. Its cells lie in memory strip by strip, sixteen columns wide, each strip row by row, so that lines
 * across and lines down are both read in long runs; see `cellAt`. What is filled up to whole strips is closed.
 */
export interface PanelGrid {
  readonly columns: number;
  readonly rows: number;
  readonly cellMm: number;
  /** Columns and rows with the filling. */
  readonly stride: number;
  readonly height: number;
  /** stride · height. */
  readonly cells: number;
  /** Pigments on the panel, and salt as the last where there is some. */
  readonly species: number;
}

/** Water, pigment and paper of a panel, one number a cell, `[cellAt(grid, column, row)]`. */
export interface Panel extends PanelGrid {
  /** Film on the surface, µm, and water in the paper above its equilibrium moisture, g/m². */
  readonly film: Float32Array;
  readonly paper: Float32Array;
  /** Readiness to take a film, 0…1. */
  readonly wettability: Float32Array;
  /** Binder that has set, 0…1, of the whole deposit. */
  readonly binder: Float32Array;
  /** How fast the film moved in the last step, mm/s, and how much faster than the middle of a wash it dries. */
  readonly speed: Float32Array;
  readonly rim: Float32Array;
  /** 1 where water may go, 0 under mask and beyond the panel. */
  readonly open: Float32Array;
  /** Relief about its mean, µm; capacity, g/m²; how strongly the surface holds water, about 1. */
  readonly relief: Float32Array;
  readonly capacity: Float32Array;
  readonly hold: Float32Array;
  /** How much faster than elsewhere it dries here, under a heat tool, about 1. */
  readonly warmth: Float32Array;
  /** Floating in the film and lying on the paper, g/m², `[species · cells + cell]`. */
  readonly suspended: Float32Array;
  readonly deposited: Float32Array;
}

/** Planes of one number a cell, in the order in which the compiled kernel keeps them. */
export const PLANES = [
  'film',
  'paper',
  'wettability',
  'binder',
  'speed',
  'rim',
  'open',
  'relief',
  'capacity',
  'hold',
  'warmth',
] as const;

const filled = (n: number): number => Math.ceil(n / STRIP) * STRIP;

/** The grid of a panel of this size. Throws `BadInput` when it would have more cells than fit. */
export function panelGrid(widthMm: number, heightMm: number, cellMm: number, species: number): PanelGrid {
  const columns = Math.max(1, Math.round(widthMm / cellMm));
  const rows = Math.max(1, Math.round(heightMm / cellMm));
  const [stride, height] = [filled(columns), filled(rows)];
  if (stride * height > MOST_CELLS)
    throw new BadInput('cellMm', `${columns} × ${rows} cells are more than ${MOST_CELLS}; take larger cells`);
  return { columns, rows, cellMm, stride, height, cells: stride * height, species };
}

/** The row in which a cell stands. */
export const rowOfCell = ({ height }: PanelGrid, cell: number): number => (cell >> 4) % height;

/** The column in which a cell stands. */
export const columnOfCell = ({ height }: PanelGrid, cell: number): number =>
  (Math.floor((cell >> 4) / height) << 4) | (cell & 15);

/** Where the cell of a column and row stands in every plane. */
export const cellAt = ({ height }: PanelGrid, column: number, row: number): number =>
  (((column >> 4) * height + row) << 4) | (column & 15);
