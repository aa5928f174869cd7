import type { Work } from '../../kit/units';
import { blocksOf, wholeCopy } from './blocks';
import { batchBound } from './bound';
import { conflictIn } from './conflict';
import { EPSILON_S } from './distances';
import { searchOrders, type Searched, type Starts } from './exact';
import { packCopies } from './pack';
import { switchesIn, type Packed } from './packed';
import { componentsOf, partOf, projectOf, type Project } from './project';
import type { Sequence, SequenceRequest } from './request';

/** Up to so many jobs every order is compared; beyond, the best found is given with a bound. */
const COMPARED = 16;

/** Where no order is found in its time, any at all, or what forbids one, is looked for so many times as long. */
const SEARCHED_ON = 3;

/** Packings tried before anything is searched, and between two reports. */
const PACKINGS = 10;

/**
 * Puts tasks in order so that the last ends as early as can be: every lag kept, no more hands, boards and heat tools in use
 * than there are. Proven the best where few enough; else the best found in its time, with a bound below which none can end.
 * When no order is feasible, the lags that cannot hold together. Yields the share of its time that is over.
 */
export function* sequence(request: SequenceRequest): Work<Sequence> {
  const begunMs = Date.now();
  const limitMs = 1000 * request.timeLimitS;
  const endMs = begunMs + limitMs;
  const latestMs = begunMs + SEARCHED_ON * limitMs;
  const one = projectOf(request, { first: true });
  const isAlone = request.copies === 1 && new Set(request.tasks.map(({ card = '' }) => card)).size === 1;
  const parts = isAlone ? [one] : componentsOf(one).map((jobs) => partOf(one, jobs));
  let alone: Searched | null = null;
  // What has an order by itself has one after another, too.
  for (const part of parts) {
    alone = yield* searchOrders(part, { untilMs: endMs, first: !isAlone });
    if (alone.starts === null && !alone.complete)
      alone = yield* searchOrders(part, { untilMs: latestMs, first: true });
    if (alone.starts === null && alone.complete)
      return unfeasible(yield* conflictIn(only(request, part), latestMs));
  }
  // A board that no task frees is gone with its copy.
  const kept = one.holdings
    .filter(({ frees }) => frees === null)
    .reduce((sum, { takes }) => sum + one.jobs[takes].copies, 0);
  if (kept > one.boards) return unfeasible([]);
  if (isAlone && alone) return answer(one, alone);

  const cut = { blocks: yield* blocksOf(one), whole: yield* wholeCopy(one) };
  const packings = packCopies(one, request.copies, cut, 1);
  const bound = batchBound(one);
  let best: Packed | null = null;
  for (let i = 0; i < PACKINGS; i++) best = yield* bettered(one, best, packings, { begunMs, endMs });
  const all = projectOf(request);
  if (all.jobs.length <= COMPARED) {
    const searched = yield* searchOrders(inTurn(all), { untilMs: endMs, known: best });
    return answer(all, { ...searched, boundS: Math.max(bound, searched.boundS) });
  }
  const endS = (): number => best?.makespanS ?? Infinity;
  while (Date.now() < endMs && endS() > bound + EPSILON_S)
    best = yield* bettered(one, best, packings, { begunMs, endMs });
  return answer(all, {
    ...{ starts: best?.starts ?? null, makespanS: endS() },
    ...{ boundS: bound, complete: endS() <= bound + EPSILON_S },
  });
}

/** A request of nothing but some of its tasks. */
function only(request: SequenceRequest, { jobs }: Project): SequenceRequest {
  const ids = new Set(jobs.map(({ id }) => id));
  return {
    ...request,
    tasks: request.tasks.filter(({ id }) => ids.has(id)),
    lags: request.lags.filter(({ from }) => ids.has(from)),
  };
}

/** The better of what is known and the next order made in its time; the first is waited for, however long it takes. */
function* bettered(
  one: Project,
  best: Packed | null,
  packings: ReturnType<typeof packCopies>,
  { begunMs, endMs }: { readonly begunMs: number; readonly endMs: number },
): Work<Packed | null> {
  while (!best || Date.now() < endMs) {
    const found = packings.next().value;
    yield (Date.now() - begunMs) / (endMs - begunMs);
    if (found !== undefined) return better(one, best, found);
  }
  return best;
}

/** The order that ends sooner; of two that end together the one with fewer switches from one task to another. */
function better(project: Project, best: Packed | null, next: Packed | null): Packed | null {
  if (!best || !next) return best ?? next;
  const soonerS = best.makespanS - next.makespanS;
  if (Math.abs(soonerS) > EPSILON_S) return soonerS > 0 ? next : best;
  return switchesIn(project, next) < switchesIn(project, best) ? next : best;
}

/** Copies are alike: the same task of each may as well come in the order of their numbers, one task of every card. */
function inTurn(all: Project): Project {
  const first = new Map<number, string>();
  for (const { copy, copies, id } of all.jobs) if (copy === 0 && !first.has(copies)) first.set(copies, id);
  const turns = [...first.values()].flatMap((id) => {
    const own = all.jobs.flatMap((job, i) => (job.id === id ? [i] : []));
    return own.slice(1).map((to, i) => ({ from: own[i], to, weightS: 0 }));
  });
  return { ...all, arcs: [...all.arcs, ...turns] };
}

function answer(
  { jobs }: Project,
  {
    starts,
    makespanS,
    boundS,
    complete,
  }: Pick<Searched, 'makespanS' | 'boundS' | 'complete'> & { readonly starts: Starts | null },
): Sequence {
  if (starts === null) return unfeasible([]);
  return {
    ...{ feasible: true, makespanS, optimal: complete },
    lowerBoundS: complete ? makespanS : Math.min(boundS, makespanS),
    tasks: jobs.map(({ id, copy, handsS }, i) => ({
      id,
      copy: copy + 1,
      startS: starts[i],
      endS: starts[i] + handsS,
    })),
  };
}

const unfeasible = (conflict: readonly string[]): Sequence => ({
  ...{ feasible: false, makespanS: null, lowerBoundS: 0, optimal: false, tasks: [], conflict },
});
