import { deflateSync, inflateSync } from 'fflate';
import type { Panel } from './panel';
import type { Ledger, PanelRun, SaltGrain } from './panel-run';

/** Cells of a tile: what has not changed since the last state is not kept twice. */
const TILE_CELLS = 4096;

/** Quick rather than small: kept states are many and short-lived (zlib level). */
const LEVEL = 1;

/** All of a run that its future hangs on, exactly; what the sheet's seed gives is left out. */
export interface KeptState {
  readonly atS: number;
  readonly steps: number;
  /** Everything that is not a number a cell. */
  readonly rest: RunRest;
  /** Numbers of each tile; shared with other states where unchanged. */
  readonly tiles: readonly Tile[];
}

interface Tile {
  /** Of each plane its number where it is the same all over the tile, else `null`. */
  readonly evenly: readonly (number | null)[];
  readonly lower: Uint16Array;
  readonly upper: Uint8Array;
}

type RunRest = Pick<
  PanelRun,
  'climate' | 'tool' | 'tilt' | 'atS' | 'nextS' | 'steps' | 'touches' | 'filmed' | 'rimsAgoS' | 'creepAgoS'
> & { readonly grains: readonly SaltGrain[]; readonly ledger: Ledger };

const NO_TILE: Tile = { evenly: [], lower: new Uint16Array(0), upper: new Uint8Array(0) };

/** Keeps states of one run and brings them back; a state is the same to the last bit. */
export class RestartStates {
  private readonly planes: readonly Float32Array[];
  /** The planes as last kept, to see what has changed, and the tiles made of them. */
  private readonly last: readonly Float32Array[];
  private tiles: Tile[];

  constructor(private readonly run: PanelRun) {
    this.planes = planesOf(run.panel);
    this.last = this.planes.map((plane) => new Float32Array(plane.length).fill(NaN));
    this.tiles = Array.from({ length: Math.ceil(run.panel.cells / TILE_CELLS) }, () => NO_TILE);
  }

  /** The run as it stands. */
  keep(): KeptState {
    this.tiles = this.tiles.map((tile, i) => (this.hasChanged(i) ? this.pack(i) : tile));
    return { atS: this.run.atS, steps: this.run.steps, rest: restOf(this.run), tiles: this.tiles };
  }

  /** Puts the run back to where it was. */
  restore({ rest, tiles }: KeptState): void {
    tiles.forEach((tile, i) => {
      if (tile !== this.tiles[i] || this.hasChanged(i)) this.unpack(tile, i);
    });
    this.tiles = [...tiles];
    Object.assign(this.run, restOf(rest));
  }

  private hasChanged(tile: number): boolean {
    const from = tile * TILE_CELLS;
    return this.planes.some((plane, p) => {
      const last = this.last[p];
      const to = Math.min(plane.length, from + TILE_CELLS);
      for (let i = from; i < to; i++) if (plane[i] !== last[i]) return true;
      return false;
    });
  }

  private pack(tile: number): Tile {
    const parts = this.partsOf(tile);
    parts.forEach((part, p) => this.last[p].set(part, tile * TILE_CELLS));
    return packed(parts);
  }

  private unpack(tile: Tile, index: number): void {
    const parts = this.partsOf(index);
    unpack(tile, parts);
    parts.forEach((part, p) => this.last[p].set(part, index * TILE_CELLS));
  }

  private partsOf(tile: number): Float32Array[] {
    return this.planes.map((plane) => plane.subarray(tile * TILE_CELLS, (tile + 1) * TILE_CELLS));
  }
}

/** Bytes that some states hold, tiles they share counted once. */
export function bytesOf(states: readonly KeptState[]): number {
  const tiles = new Set(states.flatMap((state) => state.tiles));
  return [...tiles].reduce((sum, { lower, upper }) => sum + lower.byteLength + upper.byteLength, 0);
}

/** The planes a step reads and leaves changed; relief, capacity and grain come from the seed, speed is made anew. */
function planesOf({
  film,
  paper,
  wettability,
  binder,
  rim,
  open,
  warmth,
  suspended,
  deposited,
  cells,
  species,
}: Panel) {
  const each = (plane: Float32Array): Float32Array[] =>
    Array.from({ length: species }, (_, i) => plane.subarray(i * cells, (i + 1) * cells));
  return [film, paper, wettability, binder, rim, open, warmth, ...each(suspended), ...each(deposited)];
}

/** A copy of what a run holds beside its panel. */
function restOf(run: RunRest): RunRest {
  const { climate, tool, tilt, atS, nextS, steps, touches, filmed, rimsAgoS, creepAgoS, grains, ledger } =
    run;
  return {
    ...{ climate, tool, tilt, atS, nextS, steps, touches, filmed, rimsAgoS, creepAgoS },
    grains: grains.map((grain) => ({ ...grain })),
    ledger: { ...ledger, applied: ledger.applied.slice(), removed: ledger.removed.slice() },
  };
}

/**
 * A tile's floats without loss. A plane that is the same all over the tile is its one number; of the others the lower
 * halves of all floats stand as they are, since nothing packs them, and the upper ones, which are alike from cell to
 * cell, are sorted by bytes and deflated.
 */
function packed(parts: readonly Float32Array[]): Tile {
  const evenly = parts.map((part) => (part.every((value) => Object.is(value, part[0])) ? part[0] : null));
  const words = parts.filter((_, p) => evenly[p] === null).map(wordsOf);
  const count = words.reduce((sum, { length }) => sum + length, 0);
  const lower = new Uint16Array(count);
  const upper = new Uint8Array(2 * count);
  let at = 0;
  for (const part of words)
    for (let i = 0; i < part.length; i++, at++) {
      const word = part[i];
      lower[at] = word;
      upper[at] = word >>> 16;
      upper[count + at] = word >>> 24;
    }
  return { evenly, lower, upper: deflateSync(upper, { level: LEVEL }) };
}

function unpack({ evenly, lower, upper: deflated }: Tile, parts: readonly Float32Array[]): void {
  const upper = inflateSync(deflated);
  let at = 0;
  parts.forEach((part, p) => {
    const even = evenly[p];
    if (even !== null) {
      part.fill(even);
      return;
    }
    const words = wordsOf(part);
    for (let i = 0; i < words.length; i++, at++)
      words[i] = lower[at] | (upper[at] << 16) | (upper[lower.length + at] << 24);
  });
}

const wordsOf = (part: Float32Array): Uint32Array =>
  new Uint32Array(part.buffer, part.byteOffset, part.length);
