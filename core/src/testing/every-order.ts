import type { SequenceRequest } from '../order/sequencing';

interface Way {
  readonly from: number;
  readonly to: number;
  readonly weight: number;
}

/**
 * The least end of all orders, by trying every one: jobs in every succession, on every hand, sheets on every board. An oracle
 * that shares nothing with the search; `null` when no order is feasible. For a handful of jobs. In one piece: it is to be read
 * beside nothing else.
 */
export function leastEnd({ tasks, lags, copies, hands, boards = Infinity }: SequenceRequest): number | null {
  const jobs = Array.from({ length: copies }, (_, copy) =>
    tasks.filter((task) => copy < (task.copies ?? copies)).map((task) => ({ ...task, copy })),
  ).flat();
  const index = new Map(jobs.map(({ id, copy }, i) => [`${copy} ${id}`, i]));
  const said: Way[] = Array.from({ length: copies }, (_, copy) =>
    lags.flatMap(({ from, to, fromEdge, minS, maxS }): Way[] => {
      const [a, b] = [index.get(`${copy} ${from}`), index.get(`${copy} ${to}`)];
      if (a === undefined || b === undefined) return [];
      const edge = fromEdge === 'end' ? jobs[a].handsS : 0;
      return [
        { from: a, to: b, weight: edge + minS },
        ...(maxS === undefined ? [] : [{ from: b, to: a, weight: -(edge + maxS) }]),
      ];
    }),
  ).flat();
  const frees = jobs.map(({ board, copy, card }) =>
    board === 'takes' ? jobs.findIndex((j) => j.copy === copy && j.card === card && j.board === 'frees') : -1,
  );
  let least: number | null = null;

  /** Earliest starts under some ways, by going over them until nothing changes; `null` when that never ends. */
  const endOf = (ways: readonly Way[]): number | null => {
    const start = jobs.map(() => 0);
    for (let round = 0; round <= jobs.length; round++) {
      let changed = false;
      for (const { from, to, weight } of ways)
        if (start[from] + weight > start[to] + 1e-9) {
          start[to] = start[from] + weight;
          changed = true;
        }
      if (!changed) return Math.max(...jobs.map(({ handsS }, i) => start[i] + handsS));
    }
    return null;
  };

  const place = (
    left: readonly number[],
    onHand: readonly number[],
    onBoard: readonly number[],
    lastHot: number,
    ways: readonly Way[],
  ): void => {
    if (left.length === 0) {
      const end = endOf(ways);
      if (end !== null && (least === null || end < least)) least = end;
      return;
    }
    for (const job of left) {
      const { handsS, heat, board } = jobs[job];
      const rest = left.filter((other) => other !== job);
      const hot = heat === true && handsS > 0;
      const before = (last: number): Way[] =>
        last < 0 ? [] : [{ from: last, to: job, weight: jobs[last].handsS }];
      const own = [...ways, ...(hot ? before(lastHot) : [])];
      const onHands = handsS <= 0 ? [-1] : distinct(onHand);
      for (const hand of onHands) {
        const handed = hand < 0 ? own : [...own, ...before(onHand[hand])];
        const nextHand = hand < 0 ? onHand : onHand.with(hand, job);
        const onBoards = board === 'takes' && Number.isFinite(boards) ? distinct(onBoard) : [-1];
        for (const at of onBoards) {
          const last = at < 0 ? -1 : onBoard[at];
          if (last >= 0 && frees[last] < 0) continue;
          const boarded = last < 0 ? handed : [...handed, ...before2(frees[last], job)];
          place(rest, nextHand, at < 0 ? onBoard : onBoard.with(at, job), hot ? job : lastHot, boarded);
        }
      }
    }
  };
  const before2 = (last: number, job: number): Way[] => [{ from: last, to: job, weight: jobs[last].handsS }];
  const hand = Array.from({ length: hands }, () => -1);
  const shelf = Array.from({ length: Number.isFinite(boards) ? boards : 0 }, () => -1);
  place(
    jobs.map((_, i) => i),
    hand,
    shelf,
    -1,
    said,
  );
  return least;
}

/** Places of which no two hold the same: hands and boards that are still free are all one. */
const distinct = (last: readonly number[]): number[] =>
  last.flatMap((job, i) => (last.indexOf(job) === i ? [i] : []));
