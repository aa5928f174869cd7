import { chance } from '../../kit/units';
import type { Block } from './blocks';
import { Calendar } from './calendar';
import { Distances } from './distances';
import { interleaved } from './interleave';
import { JOBS_A_BREATH, startsOfAll, type Packed, type Packing } from './packed';
import type { Project } from './project';
import { BoardShelf } from './shelf';

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

function* lay(
  one: Project,
  blocks: readonly Block[],
  copies: number,
  turnOf: (copy: number) => number,
): Packing {
  const { jobs, holdings } = one;
  const distances = Distances.of(one)!;
  const end = distances.size - 1;
  const placeOf = placesIn(blocks);
  const after = blocks.map((_, block) =>
    one.arcs.flatMap(({ from, to, weightS }) => {
      const [a, b] = [placeOf.get(from)!, placeOf.get(to)!];
      return b.block === block && a.block !== block
        ? [{ block: a.block, gapS: a.offsetS + weightS - b.offsetS }]
        : [];
    }),
  );
  const left = new Set(
    blocks.flatMap(({ jobs: own, offsets }, block) => {
      const tailS = Math.max(...own.map((job, i) => distances.at(job + 1, end) - offsets[i]));
      return Array.from({ length: jobs[own[0]].copies }, (_, copy): Turn => ({
        block,
        copy,
        turnS: tailS + turnOf(copy),
      }));
    }),
  );
  const [hands, heat] = [new Calendar(one.hands), new Calendar(1)];
  const shelf = new BoardShelf(one.boards, holdings.length * copies);
  const takenIn = blocks.map((_, b) => holdings.filter(({ takes }) => placeOf.get(takes)!.block === b));
  const freedIn = blocks.map((_, b) =>
    holdings.filter(({ frees }) => frees !== null && placeOf.get(frees)!.block === b),
  );
  const laidAt = blocks.map(() => new Float64Array(copies).fill(Number.NaN));
  const starts = new Float64Array(jobs.length * copies);
  let makespanS = 0;

  /** From when a block may be laid; `NaN` while it waits for one that is not laid, or for a board. */
  const readyAt = ({ block, copy }: Turn): number => {
    const waits = after[block].map((other) => laidAt[other.block][copy] + other.gapS);
    const boards = takenIn[block].map(({ takes }) => {
      const freeS = shelf.freeFrom();
      return freeS === null ? Number.NaN : freeS - placeOf.get(takes)!.offsetS;
    });
    return Math.max(0, ...waits, ...boards);
  };

  /** When each block could begin when it was last looked at; what is laid meanwhile can only make it later. */
  const fitS = new Map<Turn, number>();
  /** The block that can begin first. */
  const earliest = (): Turn | null => {
    const ready = [...left].filter((turn) => !Number.isNaN(readyAt(turn)));
    for (;;) {
      let first: Turn | null = null;
      for (const turn of ready) {
        if (!fitS.has(turn)) fitS.set(turn, firstFit(one, blocks[turn.block], readyAt(turn), hands, heat));
        const sooner = first === null ? -1 : fitS.get(turn)! - fitS.get(first)!;
        if (first === null || sooner < -SAME_S || (sooner < SAME_S && turn.turnS > first.turnS)) first = turn;
      }
      if (first === null) return null;
      const nowS = firstFit(
        one,
        blocks[first.block],
        Math.max(readyAt(first), fitS.get(first)!),
        hands,
        heat,
      );
      if (nowS <= fitS.get(first)! + SAME_S) return first;
      fitS.set(first, nowS);
    }
  };

  for (let laid = 1; left.size > 0; laid++) {
    if (laid % JOBS_A_BREATH === 0) yield;
    const next = earliest();
    if (next === null) return null;
    left.delete(next);
    const { block, copy } = next;
    const atS = fitS.get(next)!;
    laidAt[block][copy] = atS;
    blocks[block].jobs.forEach((job, i) => {
      const startS = atS + blocks[block].offsets[i];
      const endS = startS + jobs[job].handsS;
      starts[copy * jobs.length + job] = startS;
      hands.add(startS, endS);
      if (jobs[job].heat) heat.add(startS, endS);
      makespanS = Math.max(makespanS, endS);
    });
    for (const holding of takenIn[block]) shelf.take(holding, copy);
    for (const holding of freedIn[block]) {
      const { offsetS } = placeOf.get(holding.frees!)!;
      shelf.free(holding, copy, atS + offsetS + jobs[holding.frees!].handsS);
    }
  }
  return { starts: startsOfAll(one, starts), makespanS };
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
