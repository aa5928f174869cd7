import type { Lag, SequenceRequest } from './request';

/** One task of one copy. */
export interface Job {
  readonly id: string;
  readonly copy: number;
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

/** All copies of a request as jobs; `without` leaves some lags out. */
export function projectOf(
  { tasks, lags, copies, hands, boards = Infinity }: SequenceRequest,
  without: ReadonlySet<Lag> = new Set(),
): Project {
  const place = new Map(tasks.map(({ id }, i) => [id, i]));
  const cards = [...new Set(tasks.map(({ card = '' }) => card))];
  const kept = lags.filter((lag) => !without.has(lag));
  const jobs: Job[] = [];
  const arcs: Arc[] = [];
  const holdings: Holding[] = [];
  for (let copy = 0; copy < copies; copy++) {
    const first = copy * tasks.length;
    jobs.push(...tasks.map(({ id, handsS, heat = false }) => ({ id, copy, handsS, heat })));
    for (const lag of kept) {
      const [from, to] = [place.get(lag.from)!, place.get(lag.to)!];
      const edgeS = lag.fromEdge === 'end' ? tasks[from].handsS : 0;
      arcs.push({ from: first + from, to: first + to, weightS: edgeS + lag.minS });
      if (lag.maxS !== undefined)
        arcs.push({ from: first + to, to: first + from, weightS: -(edgeS + lag.maxS) });
    }
    for (const card of cards) {
      const of = (board: 'takes' | 'frees'): number =>
        tasks.findIndex((task) => (task.card ?? '') === card && task.board === board);
      const [takes, frees] = [of('takes'), of('frees')];
      if (takes >= 0) holdings.push({ takes: first + takes, frees: frees < 0 ? null : first + frees });
    }
  }
  return { jobs, arcs, holdings, hands, boards };
}
