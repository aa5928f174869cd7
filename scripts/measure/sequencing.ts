import { leastEnd } from '../../core/src/testing/every-order';
import { randomSequence } from '../../core/src/testing/random-sequence';
import {
  sequence,
  sequenceRequestSchema,
  type Sequence,
  type SequenceRequest,
} from '../../core/src/order/sequencing';
import { chance, done } from '../../core/src/kit/units';
import type { Measured } from './limits';
import { leastByProgram } from './sequencing-program';

const COMPARED = 300;
const PROGRAMS = 40;
const TIMED = 100;
const BATCHES = 8;

const timed = (request: SequenceRequest): { readonly found: Sequence; readonly ms: number } => {
  const before = performance.now();
  const found = done(sequence(request));
  return { found, ms: performance.now() - before };
};

/** A card of fifteen tasks in a batch: most wait for the one before, some within a window. */
function batch(seed: number, boards: number): SequenceRequest {
  const random = chance(seed);
  const whole = (least: number, most: number): number => least + Math.floor(random() * (most - least + 1));
  const tasks = Array.from({ length: 15 }, (_, i) => ({
    ...{ id: `t${i}`, handsS: whole(3, 18) * 10 },
    ...(i === 0 ? { board: 'takes' } : i === 14 ? { board: 'frees' } : {}),
  }));
  const lags = tasks.slice(1).map(({ id }, i) => {
    const window = random() < 0.3;
    const minS = window ? whole(0, 3) * 10 : whole(0, 120) * 10;
    return {
      from: tasks[i].id,
      to: id,
      fromEdge: 'end',
      minS,
      ...(window ? { maxS: minS + whole(6, 20) * 10 } : {}),
    };
  });
  return sequenceRequestSchema.parse({ tasks, lags, copies: 24, boards });
}

/** Orders against every order tried and against an integer program, and how long they take. */
export async function measureSequencing(): Promise<Measured> {
  let [wrong, feasible] = [0, 0];
  for (let seed = 1; seed <= COMPARED; seed++) {
    // Every order of many tasks is tried with one pair of hands; more of them make too many to try.
    const hands = seed % 3 === 0 ? 2 : 1;
    const tasks = hands === 2 ? 3 + (seed % 3) : 3 + (seed % 6);
    const request = randomSequence(seed, tasks, { hands });
    const [{ found }, least] = [timed(request), leastEnd(request)];
    if (least !== null) feasible++;
    if (found.feasible !== (least !== null)) wrong++;
    else if (least !== null && (!found.optimal || Math.abs(found.makespanS! - least) > 1e-6)) wrong++;
  }
  let programsWrong = 0;
  for (let seed = 1; seed <= PROGRAMS; seed++) {
    const request = randomSequence(1000 + seed, 9 + (seed % 2));
    const least = await leastByProgram(request);
    const { found } = timed({ ...request, timeLimitS: 60 });
    const same = least === null ? !found.feasible : Math.abs((found.makespanS ?? Infinity) - least) < 1e-3;
    if (!same) programsWrong++;
  }
  const times = Array.from({ length: TIMED }, (_, i) => timed(randomSequence(5000 + i, 10)));
  const proven = times.filter(({ found, ms }) => ms < 300 && (found.optimal || !found.feasible)).length;
  const ofBoards = (boards: number) => Array.from({ length: BATCHES }, (_, i) => timed(batch(i + 1, boards)));
  const over = (list: readonly { readonly found: Sequence }[]): number[] =>
    list.map(({ found }) => found.makespanS! / found.lowerBoundS);
  const [full, few] = [ofBoards(24), ofBoards(12)];
  return {
    figures: {
      ...{ compared: COMPARED, feasible, wrong, programs: PROGRAMS, programsWrong },
      provenIn300MsPercent: (100 * proven) / TIMED,
      batchOverBound: over(full),
      worstBatchOverBound: Math.max(...over(full)),
      // How much of this is the bound’s is not known, so it is told and not held.
      onHalfTheBoardsOverBound: over(few),
      longestBatchMs: Math.max(...[...full, ...few].map(({ ms }) => ms)),
      longestStepMs: Math.min(longestStep(batch(1, 24)), longestStep(batch(1, 24))),
    },
    below: {
      wrong: 1,
      programsWrong: 1,
      worstBatchOverBound: 1.05,
      longestBatchMs: 3500,
      longestStepMs: 100,
    },
    above: { provenIn300MsPercent: 94.9 },
  };
}

/** How long the work goes on before it hears of a cancel, ms. */
function longestStep(request: SequenceRequest): number {
  const work = sequence(request);
  let longest = 0;
  for (let before = performance.now(); !work.next().done; before = performance.now())
    longest = Math.max(longest, performance.now() - before);
  return longest;
}
