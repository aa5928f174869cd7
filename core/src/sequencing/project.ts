import type { Lag, SequenceRequest, Task } from './request';

/** One task of one copy. */
export interface Job {
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
  readonly jobs: readonly Job[];
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
  const jobs: Job[] = [];
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
