import type { Lag, SequenceRequest, Task } from './request';

/** One task of one copy. */
export interface SequencedJob {
  readonly id: string;
  readonly copy: number;
  /** How many copies have it, the first ones. */
  readonly copies: number;
  readonly handsS: number;
  readonly heat: boolean;
}

/** `start(to) ≥ start(from) + weightS`; jobs by number. A latest start is such an arc the other way round. */
export interface Arc {
  readonly from: number;
  readonly to: number;
  readonly weightS: number;
}

/** A board held from the start of one job to the end of another; `null` for one that is never freed. */
export interface Holding {
  readonly takes: number;
  readonly frees: number | null;
}

/** Jobs with what must lie between them and what they share. Jobs of a copy stand together, in the order of the tasks. */
export interface Project {
  readonly jobs: readonly SequencedJob[];
  readonly arcs: readonly Arc[];
  readonly holdings: readonly Holding[];
  readonly hands: number;
  readonly boards: number;
}

/** All copies of a request as jobs, or the first of each; `without` leaves some lags out. */
export function projectOf(
  request: SequenceRequest,
  {
    without = new Set(),
    first = false,
  }: { readonly without?: ReadonlySet<Lag>; readonly first?: boolean } = {},
): Project {
  const { tasks, lags, copies, hands, boards = Infinity } = request;
  const ofTask = (task: Task): number => task.copies ?? copies;
  const cards = [...new Set(tasks.map(({ card = '' }) => card))];
  const kept = lags.filter((lag) => !without.has(lag));
  const jobs: SequencedJob[] = [];
  const arcs: Arc[] = [];
  const holdings: Holding[] = [];
  for (let copy = 0; copy < (first ? 1 : copies); copy++) {
    const place = new Map<string, number>();
    for (const task of tasks.filter((t) => copy < ofTask(t))) {
      place.set(task.id, jobs.length);
      jobs.push({ id: task.id, copy, copies: ofTask(task), handsS: task.handsS, heat: task.heat ?? false });
    }
    for (const lag of kept) {
      const [from, to] = [place.get(lag.from), place.get(lag.to)];
      if (from === undefined || to === undefined) continue;
      const edgeS = lag.fromEdge === 'end' ? jobs[from].handsS : 0;
      arcs.push({ from, to, weightS: edgeS + lag.minS });
      if (lag.maxS !== undefined) arcs.push({ from: to, to: from, weightS: -(edgeS + lag.maxS) });
    }
    for (const card of cards) {
      const of = (board: 'takes' | 'frees'): number | undefined => {
        const task = tasks.find((t) => (t.card ?? '') === card && t.board === board);
        return task && place.get(task.id);
      };
      const [takes, frees] = [of('takes'), of('frees')];
      if (takes !== undefined) holdings.push({ takes, frees: frees ?? null });
    }
  }
  return { jobs, arcs, holdings, hands, boards };
}

/** Jobs that hang together by lags or by a board, by their numbers: each lot could be done when the one before is done. */
export function componentsOf({ jobs, arcs, holdings }: Project): number[][] {
  let group = jobs.map((_, i) => i);
  const tie = (a: number, b: number): void => {
    const [from, to] = [group[a], group[b]];
    if (from !== to) group = group.map((g) => (g === from ? to : g));
  };
  for (const { from, to } of arcs) tie(from, to);
  for (const { takes, frees } of holdings) if (frees !== null) tie(takes, frees);
  return [...new Set(group)].map((own) => jobs.flatMap((_, i) => (group[i] === own ? [i] : [])));
}

/** Some jobs of a project by themselves, with what must lie between them and the boards they hold. */
export function partOf(project: Project, jobs: readonly number[]): Project {
  const place = new Map(jobs.map((job, i) => [job, i]));
  return {
    ...project,
    jobs: jobs.map((job) => project.jobs[job]),
    arcs: project.arcs.flatMap(({ from, to, weightS }) => {
      const [a, b] = [place.get(from), place.get(to)];
      return a === undefined || b === undefined ? [] : [{ from: a, to: b, weightS }];
    }),
    holdings: project.holdings.flatMap(({ takes, frees }) => {
      const [a, b] = [place.get(takes), frees === null ? null : place.get(frees)];
      return a === undefined || b === undefined ? [] : [{ takes: a, frees: b }];
    }),
  };
}
