import { chance } from '../kit/units';
import { sequenceRequestSchema, type SequenceRequest } from '../order/sequencing';

/** A random request of so many tasks, for tests: some lags with a latest start, some tasks warm, some on boards. */
export function randomSequence(
  seed: number,
  tasks: number,
  more: Partial<SequenceRequest> = {},
): SequenceRequest {
  const random = chance(seed);
  const whole = (least: number, most: number): number => least + Math.floor(random() * (most - least + 1));
  const lags = Array.from({ length: tasks }, (_, to) =>
    Array.from({ length: to }, (_, from) => ({ from, to })).filter(() => random() < 1.6 / tasks),
  ).flat();
  return sequenceRequestSchema.parse({
    tasks: Array.from({ length: tasks }, (_, i) => ({
      ...{ id: `t${i}`, handsS: random() < 0.1 ? 0 : whole(1, 30) * 10 },
      ...(random() < 0.25 ? { heat: true } : {}),
      ...(more.boards !== undefined && i === 0 ? { board: 'takes' } : {}),
      ...(more.boards !== undefined && i === tasks - 1 ? { board: 'frees' } : {}),
    })),
    lags: lags.map(({ from, to }, i) => {
      const minS = whole(0, 40) * 10;
      return {
        ...{ id: `lag${i}`, from: `t${from}`, to: `t${to}`, minS },
        fromEdge: random() < 0.7 ? 'end' : 'start',
        ...(random() < 0.45 ? { maxS: minS + whole(0, 25) * 10 } : {}),
      };
    }),
    ...more,
  });
}
