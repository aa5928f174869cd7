import { chance } from '../../kit/units';
import type { Block } from './blocks';
import { Calendar } from './calendar';
import { Distances } from './distances';
import { interleaved } from './interleave';
import { JOBS_A_BREATH, startsOfAll, type Packed, type Packing } from './packed';
import type { Project } from './project';
import { BoardPool } from './shelf';

/** Times nearer than this are the same, s. */
const SAME_S = 1e-9;

/** A copy in blocks as small as they go, and in one; each `null` where there is no order. */
export interface CutCopy {
  readonly blocks: readonly Block[] | null;
  readonly whole: readonly Block[] | null;
}

/** How far chance may shift a block’s turn, as a share of the work of a copy. */
const SHAKES = 1.5;

/**
 * How much later the turn of each further copy is, as a share of the work of one: from all copies stage by stage to one copy
 * after another, whose waits the next ones fill. Few boards ask for the latter.
 */
const FOLLOWS = [0, 0.25, 0.5, 0.75, 1, 1.5, 8];

/**
 * Orders of many copies, one after another without end: `null` where boards would have run out for good, `undefined` between
 * two breaths of one. What latest starts
 * tie together is put in order once; then, again and again, that block of any copy is laid which can begin first, of those
 * that can begin together the one with the longest work behind it, further copies later by more or less. Later rounds have
 * their turns shaken by chance. (A parallel schedule generation scheme; Kolisch 1996.)
 */
export function* packCopies(
  one: Project,
  copies: number,
  { blocks, whole }: CutCopy,
  seed: number,
): Generator<Packed | null | undefined, never> {
  const random = chance(seed);
  const workS = one.jobs.reduce((sum, { handsS }) => sum + handsS, 0);
  for (let round = 0; ; round++) {
    const known = round < FOLLOWS.length;
    const follows = known ? FOLLOWS[round] : 2 * random() * FOLLOWS[Math.floor(random() * FOLLOWS.length)];
    const shakes = known ? 0 : SHAKES * random();
    const turnOf = (copy: number): number => workS * (shakes * (random() - 0.5) - follows * copy);
    const goOnS = GOES_ON[(round >> 1) % GOES_ON.length] * workS;
    const laid =
      blocks &&
      (one.hands === 1 && round % 2 === 1
        ? yield* interleaved(one, blocks, copies, { ofCopy: turnOf, goOnS })
        : yield* lay(one, blocks, copies, turnOf));
    // Whole copies one after another always go, if there is an order at all.
    yield laid ?? (whole && (yield* lay(one, whole, copies, (copy) => -copy * workS)));
  }
}

/**
 * By how much what is begun comes before what is not, as a share of the work of a copy, where one pair of hands fills the
 * waits of one block with another: in its turn, at once, or drawn out.
 */
const GOES_ON = [0, 8, -8];

/** A block as it is laid: what it waits for, and how much work is behind it. */
interface Turn {
  readonly block: number;
  readonly copy: number;
  readonly turnS: number;
}

/** Copies laid block by block, that which can begin first; `null` where none can any more. */
function* lay(
  one: Project,
  blocks: readonly Block[],
  copies: number,
  turnOf: (copy: number) => number,
): Packing {
  const work = new Laying(one, blocks, copies, turnOf);
  for (let laid = 1; !work.isDone; laid++) {
    if (laid % JOBS_A_BREATH === 0) yield;
    const next = work.earliest();
    if (next === null) return null;
    work.lay(next);
  }
  return { starts: startsOfAll(one, work.starts), makespanS: work.makespanS };
}

/** Blocks of copies as they find hands, heat and boards. */
class Laying {
  /** Start of each job of each copy, s. */
  readonly starts: Float64Array;
  makespanS = 0;
  private readonly left: Set<Turn>;
  private readonly hands: Calendar;
  private readonly heat = new Calendar(1);
  private readonly shelf: BoardPool;
  private readonly placeOf: ReturnType<typeof placesIn>;
  /** By block: which others it follows, and by how much. */
  private readonly after: readonly (readonly { readonly block: number; readonly gapS: number }[])[];
  private readonly takenIn: readonly Project['holdings'][];
  private readonly freedIn: readonly Project['holdings'][];
  /** When each block of each copy is laid, s; `NaN` of those to come. */
  private readonly laidAt: readonly Float64Array[];
  /** When each block could begin when it was last looked at; what is laid meanwhile can only make it later. */
  private readonly fitS = new Map<Turn, number>();

  constructor(
    private readonly one: Project,
    private readonly blocks: readonly Block[],
    copies: number,
    turnOf: (copy: number) => number,
  ) {
    const { jobs, holdings } = one;
    const placeOf = placesIn(blocks);
    this.placeOf = placeOf;
    this.hands = new Calendar(one.hands);
    this.shelf = new BoardPool(one.boards, holdings.length * copies);
    this.starts = new Float64Array(jobs.length * copies);
    this.laidAt = blocks.map(() => new Float64Array(copies).fill(Number.NaN));
    this.takenIn = blocks.map((_, b) => holdings.filter(({ takes }) => placeOf.get(takes)!.block === b));
    this.freedIn = blocks.map((_, b) =>
      holdings.filter(({ frees }) => frees !== null && placeOf.get(frees)!.block === b),
    );
    this.after = blocks.map((_, block) =>
      one.arcs.flatMap(({ from, to, weightS }) => {
        const [a, b] = [placeOf.get(from)!, placeOf.get(to)!];
        return b.block === block && a.block !== block
          ? [{ block: a.block, gapS: a.offsetS + weightS - b.offsetS }]
          : [];
      }),
    );
    const distances = Distances.of(one)!;
    const end = distances.size - 1;
    this.left = new Set(
      blocks.flatMap(({ jobs: own, offsets }, block) => {
        const tailS = Math.max(...own.map((job, i) => distances.at(job + 1, end) - offsets[i]));
        return Array.from({ length: jobs[own[0]].copies }, (_, copy): Turn => ({
          ...{ block, copy },
          turnS: tailS + turnOf(copy),
        }));
      }),
    );
  }

  get isDone(): boolean {
    return this.left.size === 0;
  }

  /** The block that can begin first. */
  earliest(): Turn | null {
    const ready = [...this.left].filter((turn) => !Number.isNaN(this.readyAt(turn)));
    for (;;) {
      let first: Turn | null = null;
      for (const turn of ready) {
        if (!this.fitS.has(turn)) this.fitS.set(turn, this.fits(turn, this.readyAt(turn)));
        const sooner = first === null ? -1 : this.fitS.get(turn)! - this.fitS.get(first)!;
        if (first === null || sooner < -SAME_S || (sooner < SAME_S && turn.turnS > first.turnS)) first = turn;
      }
      if (first === null) return null;
      const nowS = this.fits(first, Math.max(this.readyAt(first), this.fitS.get(first)!));
      if (nowS <= this.fitS.get(first)! + SAME_S) return first;
      this.fitS.set(first, nowS);
    }
  }

  lay(next: Turn): void {
    const { jobs } = this.one;
    const { block, copy } = next;
    const atS = this.fitS.get(next)!;
    this.left.delete(next);
    this.laidAt[block][copy] = atS;
    this.blocks[block].jobs.forEach((job, i) => {
      const startS = atS + this.blocks[block].offsets[i];
      const endS = startS + jobs[job].handsS;
      this.starts[copy * jobs.length + job] = startS;
      this.hands.add(startS, endS);
      if (jobs[job].heat) this.heat.add(startS, endS);
      this.makespanS = Math.max(this.makespanS, endS);
    });
    for (const holding of this.takenIn[block]) this.shelf.take(holding, copy);
    for (const holding of this.freedIn[block]) {
      const { offsetS } = this.placeOf.get(holding.frees!)!;
      this.shelf.free(holding, copy, atS + offsetS + jobs[holding.frees!].handsS);
    }
  }

  /** From when a block may be laid; `NaN` while it waits for one that is not laid, or for a board. */
  private readyAt({ block, copy }: Turn): number {
    const waits = this.after[block].map((other) => this.laidAt[other.block][copy] + other.gapS);
    const boards = this.takenIn[block].map(({ takes }) => {
      const freeS = this.shelf.freeFrom();
      return freeS === null ? Number.NaN : freeS - this.placeOf.get(takes)!.offsetS;
    });
    return Math.max(0, ...waits, ...boards);
  }

  private fits({ block }: Turn, fromS: number): number {
    return firstFit(this.one, this.blocks[block], fromS, this.hands, this.heat);
  }
}

function placesIn(
  blocks: readonly Block[],
): ReadonlyMap<number, { readonly block: number; readonly offsetS: number }> {
  return new Map(
    blocks.flatMap(({ jobs, offsets }, block) =>
      jobs.map((job, i) => [job, { block, offsetS: offsets[i] }] as const),
    ),
  );
}

/** The earliest time at which all jobs of a block find hands, and the heat tool where they need it. */
function firstFit(
  one: Project,
  { jobs, offsets }: Block,
  fromS: number,
  hands: Calendar,
  heat: Calendar,
): number {
  let atS = fromS;
  for (let moved = true; moved;) {
    moved = false;
    for (const [i, job] of jobs.entries()) {
      const { handsS, heat: hot } = one.jobs[job];
      const wanted = atS + offsets[i];
      const freeS = Math.max(hands.freeFrom(wanted, handsS), hot ? heat.freeFrom(wanted, handsS) : wanted);
      if (freeS <= wanted + 1e-9) continue;
      atS += freeS - wanted;
      moved = true;
    }
  }
  return atS;
}
