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
export function* interleaved(one: Project, blocks: readonly Block[], copies: number, turns: Turns): Packing {
  const work = new Interleaving(one, blocks, copies, turns);
  for (let laid = 1; !work.isDone; laid++) {
    if (laid % JOBS_A_BREATH === 0) yield;
    const next = work.choices().find((choice) => work.goes(choice));
    if (!next) return null;
    work.lay(next);
  }
  return { starts: startsOfAll(one, work.starts), makespanS: work.makespanS };
}

/** Blocks of copies as they are taken in turn: what is laid, what is open, what has not begun. */
class Interleaving {
  /** Start of each job of each copy, s; `NaN` of those to come. */
  readonly starts: Float64Array;
  makespanS = 0;
  private nowS = 0;
  private freeBoards: number;
  private readonly open: Open[] = [];
  private readonly unbegun: Set<Pick<Open, 'block' | 'copy' | 'turnS'>>;
  /** By block: what ties its jobs to one another, what they wait for outside it, and how many boards it takes. */
  private readonly ties: readonly (readonly (readonly number[])[])[];
  private readonly waits: readonly ReturnType<typeof waitsOf>[];
  private readonly boards: readonly number[];

  constructor(
    private readonly one: Project,
    private readonly blocks: readonly Block[],
    copies: number,
    private readonly turns: Turns,
  ) {
    const { jobs, holdings } = one;
    this.freeBoards = one.boards;
    this.starts = new Float64Array(jobs.length * copies).fill(Number.NaN);
    this.ties = blocks.map((block) => tiesIn(one, block));
    this.waits = blocks.map((block) => waitsOf(one, block));
    this.boards = blocks.map((block) => holdings.filter(({ takes }) => block.jobs.includes(takes)).length);
    const distances = Distances.of(one)!;
    const end = distances.size - 1;
    this.unbegun = new Set(
      blocks.flatMap(({ jobs: own, offsets }, block) => {
        const tailS = Math.max(...own.map((job, i) => distances.at(job + 1, end) - offsets[i]));
        return Array.from({ length: jobs[own[0]].copies }, (_, copy) => ({
          ...{ block, copy },
          turnS: tailS + turns.ofCopy(copy),
        }));
      }),
    );
  }

  get isDone(): boolean {
    return this.unbegun.size === 0 && this.open.length === 0;
  }

  /** What might be done next, the earliest first, of those that begin together the one whose turn it is. */
  choices(): Next[] {
    const list = this.open.flatMap((of) => this.jobsLeft(of, this.turns.goOnS));
    if (this.open.length < MOST_OPEN)
      for (const turn of this.unbegun) {
        const of = this.opened(turn);
        if (of) list.push(...this.jobsLeft(of, 0));
      }
    return list.sort((a, b) =>
      Math.abs(a.startS - b.startS) > SAME_S ? a.startS - b.startS : b.turnS - a.turnS,
    );
  }

  /** Whether all that is open can still be ended once this is done. */
  goes({ of, job, startS }: Next): boolean {
    const isNew = !this.open.includes(of);
    of.starts[job] = startS;
    const ends = this.canEnd(isNew ? [...this.open, of] : this.open, startS + this.handsOf(of, job));
    of.starts[job] = Number.NaN;
    return ends;
  }

  /** Does it. */
  lay({ of, job, startS }: Next): void {
    if (!this.open.includes(of)) this.begin(of);
    const { jobs, holdings } = this.one;
    const own = this.blocks[of.block].jobs[job];
    of.starts[job] = startS;
    this.starts[of.copy * jobs.length + own] = startS;
    this.nowS = startS + jobs[own].handsS;
    this.makespanS = Math.max(this.makespanS, this.nowS);
    this.freeBoards += holdings.filter(({ frees }) => frees === own).length;
    if (!of.starts.some(Number.isNaN)) this.open.splice(this.open.indexOf(of), 1);
  }

  private begin(of: Open): void {
    this.open.push(of);
    this.freeBoards -= this.boards[of.block];
    for (const turn of this.unbegun)
      if (turn.block === of.block && turn.copy === of.copy) this.unbegun.delete(turn);
  }

  /** A block all of whose outside waits have begun, ready to be opened. */
  private opened(turn: Pick<Open, 'block' | 'copy' | 'turnS'>): Open | null {
    const { block, copy } = turn;
    if (this.boards[block] > this.freeBoards) return null;
    const outside = this.waits[block].map((list) =>
      list.reduce((latest, { from, weightS }) => {
        const at = this.starts[copy * this.one.jobs.length + from];
        return Number.isNaN(at) ? Number.NaN : Math.max(latest, at + weightS);
      }, 0),
    );
    if (outside.some(Number.isNaN)) return null;
    return {
      ...turn,
      starts: new Float64Array(outside.length).fill(Number.NaN),
      fromS: Float64Array.from(outside, (_, j) =>
        outside.reduce((latest, from, i) => Math.max(latest, from + this.ties[block][i][j]), 0),
      ),
    };
  }

  private jobsLeft(of: Open, moreS: number): Next[] {
    const list: Next[] = [];
    for (let job = 0; job < of.starts.length; job++)
      if (Number.isNaN(of.starts[job])) {
        const startS = Math.max(this.nowS, earliestOf(of, this.ties[of.block], job));
        list.push({ of, job, startS, turnS: of.turnS + moreS });
      }
    return list;
  }

  private handsOf({ block }: Pick<Open, 'block'>, i: number): number {
    return this.one.jobs[this.blocks[block].jobs[i]].handsS;
  }

  /** Whether all of a list can be ended when hands are free from some time on: the latest start first. */
  private canEnd(list: readonly Open[], fromS: number): boolean {
    let tried = 0;
    const from = (atS: number): boolean => {
      const left = this.leftOf(list, atS);
      if (left === null) return false;
      for (const { of, i, startS } of left) {
        if (++tried > MOST_TRIED) return false;
        of.starts[i] = startS;
        const ends = from(startS + this.handsOf(of, i));
        of.starts[i] = Number.NaN;
        if (ends) return true;
      }
      return left.length === 0;
    };
    return from(fromS);
  }

  /** The jobs of a list that are to come, that with the latest start first; `null` where one already comes too late. */
  private leftOf(
    list: readonly Open[],
    atS: number,
  ): { readonly of: Open; readonly i: number; readonly startS: number }[] | null {
    const left: { of: Open; i: number; startS: number; latestS: number }[] = [];
    for (const of of list)
      for (let i = 0; i < of.starts.length; i++) {
        if (!Number.isNaN(of.starts[i])) continue;
        const startS = Math.max(atS, earliestOf(of, this.ties[of.block], i));
        const latestS = latestOf(of, this.ties[of.block], i);
        if (startS > latestS + SAME_S) return null;
        left.push({ of, i, startS, latestS });
      }
    return left.sort((a, b) => a.latestS - b.latestS || a.startS - b.startS);
  }
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
