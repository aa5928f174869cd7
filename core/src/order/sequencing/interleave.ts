import type { Block } from './blocks';
import { Distances } from './distances';
import { JOBS_A_BREATH, startsOfAll, type Packing } from './packed';
import { partOf, type Project } from './project';

/** Times nearer than this are the same, s. */
const SAME_S = 1e-9;

/** Blocks begun and not ended at any time: more of them are seldom of use and slow to see to an end. */
const MOST_OPEN = 4;

/** Jobs laid in trying whether what is open can still be ended; beyond, it is taken that it cannot. */
const MOST_TRIED = 60;

/** How blocks take their turns. */
export interface Turns {
  /** How early a copy comes, s of work. */
  readonly ofCopy: (copy: number) => number;
  /** How much sooner than by its tail what is begun is gone on with, s of work. */
  readonly goOnS: number;
}

/** A block of one copy: what is laid of it, and what its jobs wait for outside it. */
interface Open {
  readonly block: number;
  readonly copy: number;
  readonly turnS: number;
  /** Start of each job, s; `NaN` of those to come. */
  readonly starts: Float64Array;
  /** Earliest start of each for what lies outside the block, s. */
  readonly fromS: Float64Array;
}

/** What might be done next. */
interface Next {
  readonly of: Open;
  readonly job: number;
  readonly startS: number;
  readonly turnS: number;
}

/**
 * Many copies in the order in which one pair of hands does their jobs, each begun as early as it goes. Blocks may be begun
 * while others wait within their latest starts, so that the work of one fills the waits of another; nothing is begun unless
 * all that is open can still be ended in time. `null` where the boards have run out, or an end was not found.
 */
export function* interleaved(
  one: Project,
  blocks: readonly Block[],
  copies: number,
  { ofCopy, goOnS }: Turns,
): Packing {
  const { jobs, holdings } = one;
  const distances = Distances.of(one)!;
  const end = distances.size - 1;
  const ties = blocks.map((block) => tiesIn(one, block));
  const waits = blocks.map((block) => waitsOf(one, block));
  const boards = blocks.map(({ jobs: own }) => holdings.filter(({ takes }) => own.includes(takes)).length);
  const starts = new Float64Array(jobs.length * copies).fill(Number.NaN);
  const unbegun = new Set(
    blocks.flatMap(({ jobs: own, offsets }, block) => {
      const tailS = Math.max(...own.map((job, i) => distances.at(job + 1, end) - offsets[i]));
      return Array.from({ length: jobs[own[0]].copies }, (_, copy) => ({
        ...{ block, copy },
        turnS: tailS + ofCopy(copy),
      }));
    }),
  );
  const open: Open[] = [];
  let [nowS, freeBoards, makespanS] = [0, one.boards, 0];

  /** A block all of whose outside waits have begun, ready to be opened. */
  const opened = (turn: Pick<Open, 'block' | 'copy' | 'turnS'>): Open | null => {
    const { block, copy } = turn;
    if (boards[block] > freeBoards) return null;
    const outside = waits[block].map((list) =>
      list.reduce((latest, { from, weightS }) => {
        const at = starts[copy * jobs.length + from];
        return Number.isNaN(at) ? Number.NaN : Math.max(latest, at + weightS);
      }, 0),
    );
    if (outside.some(Number.isNaN)) return null;
    return {
      ...turn,
      starts: new Float64Array(outside.length).fill(Number.NaN),
      fromS: Float64Array.from(outside, (_, j) =>
        outside.reduce((latest, from, i) => Math.max(latest, from + ties[block][i][j]), 0),
      ),
    };
  };

  const handsOf = ({ block }: Pick<Open, 'block'>, i: number): number => jobs[blocks[block].jobs[i]].handsS;

  /** Whether all that is open can be ended when hands are free from some time on: the latest start first. */
  const canEnd = (list: readonly Open[], fromS: number): boolean => {
    let tried = 0;
    const from = (atS: number): boolean => {
      const left: { of: Open; i: number; startS: number; latestS: number }[] = [];
      for (const of of list)
        for (let i = 0; i < of.starts.length; i++) {
          if (!Number.isNaN(of.starts[i])) continue;
          const startS = Math.max(atS, earliestOf(of, ties[of.block], i));
          const latestS = latestOf(of, ties[of.block], i);
          if (startS > latestS + SAME_S) return false;
          left.push({ of, i, startS, latestS });
        }
      left.sort((a, b) => a.latestS - b.latestS || a.startS - b.startS);
      for (const { of, i, startS } of left) {
        if (++tried > MOST_TRIED) return false;
        of.starts[i] = startS;
        const ends = from(startS + handsOf(of, i));
        of.starts[i] = Number.NaN;
        if (ends) return true;
      }
      return left.length === 0;
    };
    return from(fromS);
  };

  /** What might be done next, the earliest first, of those that begin together the one whose turn it is. */
  const choices = (): Next[] => {
    const list: Next[] = [];
    const consider = (of: Open, more: number): void => {
      for (let job = 0; job < of.starts.length; job++)
        if (Number.isNaN(of.starts[job])) {
          const startS = Math.max(nowS, earliestOf(of, ties[of.block], job));
          list.push({ of, job, startS, turnS: of.turnS + more });
        }
    };
    for (const of of open) consider(of, goOnS);
    if (open.length < MOST_OPEN)
      for (const turn of unbegun) {
        const of = opened(turn);
        if (of) consider(of, 0);
      }
    return list.sort((a, b) =>
      Math.abs(a.startS - b.startS) > SAME_S ? a.startS - b.startS : b.turnS - a.turnS,
    );
  };

  const goes = ({ of, job, startS }: Next): boolean => {
    const isNew = !open.includes(of);
    of.starts[job] = startS;
    const ends = canEnd(isNew ? [...open, of] : open, startS + handsOf(of, job));
    of.starts[job] = Number.NaN;
    return ends;
  };

  for (let laid = 1; unbegun.size > 0 || open.length > 0; laid++) {
    if (laid % JOBS_A_BREATH === 0) yield;
    const next = choices().find(goes);
    if (!next) return null;
    const { of, job, startS } = next;
    if (!open.includes(of)) {
      open.push(of);
      freeBoards -= boards[of.block];
      for (const turn of unbegun) if (turn.block === of.block && turn.copy === of.copy) unbegun.delete(turn);
    }
    const own = blocks[of.block].jobs[job];
    of.starts[job] = startS;
    starts[of.copy * jobs.length + own] = startS;
    nowS = startS + jobs[own].handsS;
    makespanS = Math.max(makespanS, nowS);
    freeBoards += holdings.filter(({ frees }) => frees === own).length;
    if (!of.starts.some(Number.isNaN)) open.splice(open.indexOf(of), 1);
  }
  return { starts: startsOfAll(one, starts), makespanS };
}

/** By how much each job of a block must start after each other, s; −∞ where nothing is said. */
function tiesIn(one: Project, { jobs }: Block): readonly (readonly number[])[] {
  const within = Distances.of(partOf(one, jobs))!;
  return jobs.map((_, i) => jobs.map((__, j) => within.at(i + 1, j + 1)));
}

/** What each job of a block waits for outside it. */
function waitsOf(
  one: Project,
  { jobs }: Block,
): readonly (readonly { readonly from: number; readonly weightS: number }[])[] {
  return jobs.map((job) => one.arcs.filter(({ from, to }) => to === job && !jobs.includes(from)));
}

/** The earliest start of a job for what is laid of its block. */
function earliestOf({ starts, fromS }: Open, ties: readonly (readonly number[])[], job: number): number {
  let at = fromS[job];
  for (let i = 0; i < starts.length; i++)
    if (!Number.isNaN(starts[i])) at = Math.max(at, starts[i] + ties[i][job]);
  return at;
}

/** The latest. */
function latestOf({ starts }: Open, ties: readonly (readonly number[])[], job: number): number {
  let at = Infinity;
  for (let i = 0; i < starts.length; i++)
    if (!Number.isNaN(starts[i])) at = Math.min(at, starts[i] - ties[job][i]);
  return at;
}
