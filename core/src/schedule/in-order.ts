import { firstFinishing, handsOn, type Plan } from '../plan';
import { sequence, sequenceRequestSchema, type Lag } from '../sequencing';
import type { Work } from '../units';
import { driesAfter, lagsOf } from './lags';
import { layOut } from './timeline';

/** Another order of the same acts that ends sooner; `null` where none is found. */
export interface BetterOrder {
  readonly plan: Plan;
  /** Acts by their ids, all of them. */
  readonly order: readonly string[];
  readonly beforeS: number;
  readonly afterS: number;
}

/** No act has such an id. */
const ALL_DRY = '·';

/** A gain smaller than this is not worth another order, s. */
const WORTH_S = 60;

/**
 * Puts the acts of painting in the order that ends first, as the sequencer finds it: what touches keeps its order and its
 * drying, what goes into the wet goes in while it shines, the rest fills the waits. Finishing stays as it is. The order is laid
 * out again by the plan's own clocks, and given only where it really ends sooner.
 */
export function* inOrder(plan: Plan): Work<BetterOrder | null> {
  const timeline = layOut(plan);
  const acts = plan.acts.slice(0, firstFinishing(plan));
  if (timeline.never.length > 0 || acts.length < 2) return null;
  const lags = lagsOf(plan, timeline, acts);
  // Finishing waits until all is dry, so that is what ends last.
  const dries = acts.map((act): Lag => ({
    ...{ from: act.id, to: ALL_DRY, fromEdge: 'end' },
    minS: driesAfter(timeline, act),
  }));
  const request = sequenceRequestSchema.parse({
    tasks: [...acts.map((act) => ({ id: act.id, handsS: handsOn(plan, act) })), { id: ALL_DRY, handsS: 0 }],
    lags: [...lags, ...dries],
  });
  const { feasible, tasks } = yield* sequence(request);
  if (!feasible) return null;
  const startOf = new Map(tasks.map(({ id, startS }) => [id, startS]));
  const ordered = [...acts].sort((a, b) => startOf.get(a.id)! - startOf.get(b.id)!);
  const better = { ...plan, acts: [...ordered, ...plan.acts.slice(acts.length)] };
  const afterS = layOut(better).endS;
  return timeline.endS - afterS < WORTH_S
    ? null
    : { plan: better, order: better.acts.map(({ id }) => id), beforeS: timeline.endS, afterS };
}
