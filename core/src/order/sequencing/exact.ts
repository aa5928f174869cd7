import type { Work } from '../../kit/units';
import { Distances, EPSILON_S } from './distances';
import { oneMachineBound } from './one-machine';
import type { Project } from './project';

/** Starts of all jobs, s, by their numbers. */
export type Starts = readonly number[];

/** What a search has found, and whether it looked everywhere. */
export interface Searched {
  readonly starts: Starts | null;
  readonly makespanS: number;
  /** No order ends earlier than this. */
  readonly boundS: number;
  readonly complete: boolean;
}

/** When a search gives up: at a moment of the clock, or with the first order it finds. */
export interface SearchLimits {
  readonly untilMs: number;
  readonly first?: boolean;
  /** An order that is known already, to be bettered. */
  readonly known?: { readonly starts: Starts; readonly makespanS: number } | null;
}

interface Node {
  readonly distances: Distances;
  readonly boundS: number;
}

/** Nodes looked at between two looks at the clock. */
const NODES_A_SLICE = 50;

/**
 * Looks for the order that ends first. Every node of the search holds what is said so far; its earliest starts break no lag,
 * and where they ask too much of hands, heat tool or boards, one of those who do must end before another starts: each such
 * pair is a branch (De Reyck and Herroelen 1998). Pairs of which only one order is possible are settled before.
 */
export function* searchOrders(project: Project, limits: SearchLimits): Work<Searched> {
  const root = Distances.of(project);
  let best = limits.known ?? null;
  const bestS = (): number => best?.makespanS ?? Infinity;
  if (!root || !settle(project, root, bestS()))
    return { starts: best?.starts ?? null, makespanS: bestS(), boundS: bestS(), complete: true };
  const open: Node[] = [{ distances: root, boundS: boundOf(project, root) }];
  const lowest = (): number => Math.min(bestS(), ...open.map(({ boundS }) => boundS));
  for (let looked = 0; open.length > 0; looked++) {
    if (looked % NODES_A_SLICE === NODES_A_SLICE - 1) {
      yield Math.min(0.99, looked / (looked + 2000));
      if (Date.now() > limits.untilMs)
        return { starts: best?.starts ?? null, makespanS: bestS(), boundS: lowest(), complete: false };
    }
    const { distances, boundS } = open.pop()!;
    if (boundS >= bestS() - EPSILON_S) continue;
    const pairs = overload(project, distances);
    if (pairs === null) {
      const starts = project.jobs.map((_, i) => distances.at(0, i + 1));
      best = { starts, makespanS: distances.at(0, distances.size - 1) };
      if (limits.first) return { starts, makespanS: best.makespanS, boundS: 0, complete: false };
      continue;
    }
    const children = pairs.flatMap(([before, after]): Node[] => {
      const child = distances.copy();
      const said = child.add(before + 1, after + 1, project.jobs[before].handsS);
      if (!said || !settle(project, child, bestS())) return [];
      const bound = Math.max(boundS, boundOf(project, child));
      return bound < bestS() - EPSILON_S ? [{ distances: child, boundS: bound }] : [];
    });
    // The most promising is looked at next.
    children.sort((a, b) => b.boundS - a.boundS);
    open.push(...children);
  }
  return { starts: best?.starts ?? null, makespanS: bestS(), boundS: bestS(), complete: true };
}

/** Pairs of jobs of which one must end before the other starts, since the hands or the tool are one. */
function exclusive({ jobs, hands }: Project, one: number, other: number): boolean {
  if (jobs[one].handsS <= 0 || jobs[other].handsS <= 0) return false;
  return hands === 1 || (jobs[one].heat && jobs[other].heat);
}

/** Settles what can be only one way, so that it ends before `bestS`; `false` when nothing can. */
function settle(project: Project, distances: Distances, bestS: number): boolean {
  const { jobs } = project;
  const end = distances.size - 1;
  if (bestS < Infinity && !distances.add(end, 0, -(bestS - EPSILON_S))) return false;
  for (let changed = true; changed;) {
    changed = false;
    for (let i = 0; i < jobs.length; i++)
      for (let j = i + 1; j < jobs.length; j++) {
        if (!exclusive(project, i, j)) continue;
        const iFirst = distances.at(j + 1, i + 1) + jobs[i].handsS <= EPSILON_S;
        const jFirst = distances.at(i + 1, j + 1) + jobs[j].handsS <= EPSILON_S;
        if (iFirst && jFirst) continue;
        if (!iFirst && !jFirst) return false;
        const [before, after] = iFirst ? [i, j] : [j, i];
        if (distances.at(before + 1, after + 1) >= jobs[before].handsS - EPSILON_S) continue;
        if (!distances.add(before + 1, after + 1, jobs[before].handsS)) return false;
        changed = true;
      }
  }
  return true;
}

/** The least end of what is said so far, with one pair of hands also for all that they do one after another. */
function boundOf({ jobs, hands }: Project, distances: Distances): number {
  const end = distances.size - 1;
  const chain = distances.at(0, end);
  if (hands > 1) return chain;
  const busy = jobs.flatMap(({ handsS }, i) => (handsS > 0 ? [i] : []));
  return Math.max(
    chain,
    oneMachineBound(
      busy.map((i) => distances.at(0, i + 1)),
      busy.map((i) => jobs[i].handsS),
      busy.map((i) => distances.at(i + 1, end) - jobs[i].handsS),
    ),
  );
}

/**
 * The first asking of too much at the earliest starts, as all pairs of which one must end before the other starts;
 * `null` when nobody asks too much.
 */
function overload(project: Project, distances: Distances): [number, number][] | null {
  const { jobs, holdings, hands, boards } = project;
  const spans = jobs.map(({ handsS }, i): Span => {
    const startS = distances.at(0, i + 1);
    return { startS, endS: startS + handsS, first: i, last: i };
  });
  const working = spans.filter((_, i) => jobs[i].handsS > 0);
  const held = holdings.map(({ takes, frees }): Span => ({
    startS: distances.at(0, takes + 1),
    endS: frees === null ? Infinity : distances.at(0, frees + 1) + jobs[frees].handsS,
    ...{ first: takes, last: frees },
  }));
  const found =
    tooMany(working, hands) ??
    tooMany(
      working.filter(({ first }) => jobs[first].heat),
      1,
    ) ??
    tooMany(held, boards);
  return (
    found &&
    found.flatMap((one) =>
      found.flatMap((other): [number, number][] =>
        one === other || one.last === null ? [] : [[one.last, other.first]],
      ),
    )
  );
}

/** Something in use from the start of one job to the end of another. */
interface Span {
  readonly startS: number;
  readonly endS: number;
  readonly first: number;
  readonly last: number | null;
}

/** One more than may be in use at a time, at the first moment when so many are; of a pair the one that costs most to part. */
function tooMany(spans: readonly Span[], most: number): Span[] | null {
  if (spans.length <= most) return null;
  const order = [...spans].sort((a, b) => a.startS - b.startS);
  if (most === 1) return costliest(order);
  for (const at of order) {
    const using = order.filter(
      ({ startS, endS }) => startS <= at.startS + EPSILON_S && endS > at.startS + EPSILON_S,
    );
    if (using.length > most) return using.slice(0, most + 1);
  }
  return null;
}

function costliest(order: readonly Span[]): Span[] | null {
  let [worst, found]: [number, Span[] | null] = [0, null];
  for (let i = 0; i < order.length; i++)
    for (let j = i + 1; j < order.length && order[j].startS < order[i].endS - EPSILON_S; j++) {
      const [one, other] = [order[i], order[j]];
      const cost = Math.min(one.endS - other.startS, other.endS - one.startS);
      if (cost > worst + EPSILON_S) [worst, found] = [cost, [one, other]];
    }
  return found;
}
