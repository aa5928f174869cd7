import highsLoader from 'highs';
import type { SequenceRequest } from '../../core/src/order/sequencing';

const solver = highsLoader();

/**
 * The least end of a request of one copy and one pair of hands as a mixed-integer program (Manne 1960: of each pair one is
 * first), solved by a program that knows nothing of our search; `null` when it has no order.
 */
export async function leastByProgram({ tasks, lags }: SequenceRequest): Promise<number | null> {
  const place = new Map(tasks.map(({ id }, i) => [id, i]));
  const latest =
    lags.reduce((sum, { minS }) => sum + minS, 0) + tasks.reduce((sum, { handsS }) => sum + handsS, 0);
  const rows: string[] = tasks.map(({ handsS }, i) => `span - s${i} >= ${handsS}`);
  for (const { from, to, fromEdge, minS, maxS } of lags) {
    const [a, b] = [place.get(from)!, place.get(to)!];
    const edge = fromEdge === 'end' ? tasks[a].handsS : 0;
    rows.push(`s${b} - s${a} >= ${edge + minS}`);
    if (maxS !== undefined) rows.push(`s${b} - s${a} <= ${edge + maxS}`);
  }
  const first: string[] = [];
  tasks.forEach((one, i) =>
    tasks.slice(i + 1).forEach((other, k) => {
      const j = i + 1 + k;
      if (one.handsS <= 0 || other.handsS <= 0) return;
      first.push(`y${i}_${j}`);
      rows.push(`s${j} - s${i} + ${latest} y${i}_${j} >= ${one.handsS}`);
      rows.push(`s${i} - s${j} - ${latest} y${i}_${j} >= ${other.handsS - latest}`);
    }),
  );
  const program = [
    'Minimize\n obj: span\nSubject To',
    ...rows.map((row, i) => ` r${i}: ${row}`),
    ...(first.length > 0 ? ['Binary', ` ${first.join(' ')}`] : []),
    'End',
  ].join('\n');
  const { Status, ObjectiveValue } = (await solver).solve(program);
  if (Status === 'Infeasible') return null;
  if (Status !== 'Optimal') throw new Error(`the program ends as ${Status}`);
  return ObjectiveValue;
}
