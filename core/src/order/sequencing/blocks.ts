import type { Work } from '../../kit/units';
import { searchOrders } from './exact';
import { componentsOf, partOf, type Project } from './project';

/** Jobs of one copy at fixed times after the first of them. */
export interface Block {
  /** Jobs by their number in a copy. */
  readonly jobs: readonly number[];
  /** Start of each after the block’s own, s. */
  readonly offsets: readonly number[];
}

/** For how long one block is put in order by search, ms. */
const BLOCK_MS = 400;

/**
 * A copy cut into blocks: jobs that a latest start ties together, and jobs that wait for one another both ways, are one, in
 * their best order by themselves. Between blocks only earliest starts are left. `null` when a block has no order.
 */
export function* blocksOf(one: Project): Work<Block[] | null> {
  const tied = one.arcs.filter(({ weightS }) => weightS < 0);
  let group = one.jobs.map((_, i) => i);
  const tie = (a: number, b: number): void => {
    const [from, to] = [group[a], group[b]];
    group = group.map((g) => (g === from ? to : g));
  };
  for (const { from, to } of tied) tie(from, to);
  for (let round = knot(one, group); round !== null; round = knot(one, group)) tie(...round);
  const blocks: Block[] = [];
  for (const g of new Set(group)) {
    const block = yield* ordered(
      one,
      group.flatMap((other, job) => (other === g ? [job] : [])),
    );
    if (!block) return null;
    blocks.push(block);
  }
  return blocks;
}

/** A whole copy as one block, of several cards one each; `null` when one has no order. */
export function* wholeCopy(one: Project): Work<Block[] | null> {
  const blocks: Block[] = [];
  for (const jobs of componentsOf(one)) {
    const block = yield* ordered(one, jobs);
    if (!block) return null;
    blocks.push(block);
  }
  return blocks;
}

/** Two jobs of different groups that wait for one another by whatever ways. */
function knot({ arcs }: Project, group: readonly number[]): [number, number] | null {
  const after = new Map<number, Set<number>>();
  for (const { from, to } of arcs)
    if (group[from] !== group[to]) {
      const known = after.get(group[from]) ?? new Set<number>();
      after.set(group[from], known.add(group[to]));
    }
  const reached = (from: number): Set<number> => {
    const seen = new Set<number>();
    const open = [...(after.get(from) ?? [])];
    for (let at = open.pop(); at !== undefined; at = open.pop()) {
      if (seen.has(at)) continue;
      seen.add(at);
      open.push(...(after.get(at) ?? []));
    }
    return seen;
  };
  for (const from of after.keys())
    for (const to of after.get(from)!)
      if (reached(to).has(from)) return [group.indexOf(from), group.indexOf(to)];
  return null;
}

/** Some jobs of a copy in their best order by themselves. */
function* ordered(one: Project, jobs: readonly number[]): Work<Block | null> {
  const part: Project = { ...partOf(one, jobs), holdings: [] };
  const { starts } = yield* searchOrders(part, { untilMs: Date.now() + BLOCK_MS });
  if (!starts) return null;
  const firstS = Math.min(...starts);
  return { jobs, offsets: starts.map((start) => start - firstS) };
}
