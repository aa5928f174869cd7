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

/** A plane's part of a tile; one number where it is the same all over. */
type Part = Float32Array | number;

/** A tile's numbers: as they are while there was no time to pack them, then packed. */
interface Tile {
  raw: readonly Part[] | null;
  packed: PackedTile;
}

interface PackedTile {
  /** Of each plane its number where it is the same all over the tile, else `null`. */
  readonly evenly: readonly (number | null)[];
  readonly lower: Uint16Array;
  readonly upper: Uint8Array;
}

const REST = [
  ...(['climate', 'tool', 'tilt', 'atS', 'nextS', 'steps', 'touches', 'filmed', 'dampest'] as const),
  ...(['cutShort', 'acting', 'left', 'rimsAgoS', 'creepAgoS'] as const),
] as const;

type RunRest = Pick<PanelRun, (typeof REST)[number]> & {
  readonly grains: readonly SaltGrain[];
  readonly ledger: Ledger;
};

const NOTHING: PackedTile = { evenly: [], lower: new Uint16Array(0), upper: new Uint8Array(0) };

/** Keeps states of one run and brings them back; a state is the same to the last bit. */
export class RestartStates {
  private readonly planes: readonly Float32Array[];
  /** The planes as last kept, to see what has changed, and the tiles made of them. */
  private readonly last: readonly Float32Array[];
  private tiles: Tile[];
  /** Tiles that wait to be packed. */
  private readonly unpacked = new Set<Tile>();

  constructor(private readonly run: PanelRun) {
    this.planes = planesOf(run.panel);
    this.last = this.planes.map((plane) => new Float32Array(plane.length).fill(NaN));
    this.tiles = Array.from({ length: Math.ceil(run.panel.cells / TILE_CELLS) }, () => ({
      raw: null,
      packed: NOTHING,
    }));
  }

  /** What a state holds that is not packed and shares nothing, bytes. */
  get rawBytes(): number {
    return this.planes.reduce((sum, { byteLength }) => sum + byteLength, 0);
  }

  /** The run as it stands; quickly, and packed when there is time: see `packNext`. */
  keep(): KeptState {
    this.tiles = this.tiles.map((tile, i) => (this.hasChanged(i) ? this.copy(i) : tile));
    return { atS: this.run.atS, steps: this.run.steps, rest: restOf(this.run), tiles: this.tiles };
  }

  /** Packs one of the tiles that wait; `false` when none does. */
  packNext(): boolean {
    for (const tile of this.unpacked) {
      this.unpacked.delete(tile);
      if (tile.raw) Object.assign(tile, { packed: packed(tile.raw), raw: null });
      return true;
    }
    return false;
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

  private copy(index: number): Tile {
    const parts = this.partsOf(index);
    parts.forEach((part, p) => this.last[p].set(part, index * TILE_CELLS));
    const tile: Tile = { raw: parts.map(partOf), packed: NOTHING };
    this.unpacked.add(tile);
    return tile;
  }

  private unpack(tile: Tile, index: number): void {
    const parts = this.partsOf(index);
    if (tile.raw) tile.raw.forEach((part, p) => put(part, parts[p]));
    else unpack(tile.packed, parts);
    parts.forEach((part, p) => this.last[p].set(part, index * TILE_CELLS));
  }

  private partsOf(tile: number): Float32Array[] {
    return this.planes.map((plane) => plane.subarray(tile * TILE_CELLS, (tile + 1) * TILE_CELLS));
  }
}

/** Bytes that some states hold, tiles they share counted once. */
export function keptBytes(states: readonly KeptState[]): number {
  const tiles = new Set(states.flatMap((state) => state.tiles));
  return [...tiles].reduce(
    (sum, { raw, packed: { lower, upper } }) =>
      sum + (raw ?? [lower, upper]).reduce<number>((bytes, part) => bytes + bytesOfPart(part), 0),
    0,
  );
}

/** A number is counted as nothing. */
const bytesOfPart = (part: Part | Uint16Array | Uint8Array): number =>
  typeof part === 'number' ? 0 : part.byteLength;

const partOf = (part: Float32Array): Part =>
  part.every((value) => Object.is(value, part[0])) ? part[0] : part.slice();

function put(part: Part, into: Float32Array): void {
  if (typeof part === 'number') into.fill(part);
  else into.set(part);
}

/** The planes a step reads and leaves changed; relief, capacity and hold come from the seed. */
function planesOf({
  film,
  paper,
  wettability,
  binder,
  speed,
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
  return [film, paper, wettability, binder, speed, rim, open, warmth, ...each(suspended), ...each(deposited)];
}

/** A copy of what a run holds beside its panel. */
function restOf(run: RunRest): RunRest {
  const { grains, ledger } = run;
  return {
    ...(Object.fromEntries(REST.map((key) => [key, run[key]])) as Pick<PanelRun, (typeof REST)[number]>),
    grains: grains.map((grain) => ({ ...grain })),
    ledger: { ...ledger, applied: ledger.applied.slice(), removed: ledger.removed.slice() },
  };
}

/**
 * A tile's floats without loss. Of a plane that is not the same all over the lower halves of all floats stand as they
 * are, since nothing packs them, and the upper ones, which are alike from cell to cell, are sorted by bytes and deflated.
 */
function packed(parts: readonly Part[]): PackedTile {
  const evenly = parts.map((part) => (typeof part === 'number' ? part : null));
  const words = parts.filter((part) => typeof part !== 'number').map(wordsOf);
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

function unpack({ evenly, lower, upper: deflated }: PackedTile, parts: readonly Float32Array[]): void {
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
