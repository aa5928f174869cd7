import { firstFinishing, handsOn, type Plan } from '../../document/plan';
import { lagName, sequence, sequenceRequestSchema, type Lag, type SequenceRequest } from '../sequencing';
import type { Work } from '../../kit/units';
import { driesAfter, findingLags } from './lags';
import { keepsWindows } from './kept-windows';
import { layingOut, type TimelineAtTable } from './timeline';

/** Another order of the same acts: it ends sooner, or keeps windows that are missed as things stand. */
export interface BetterOrder {
  readonly plan: Plan;
  /** Acts by their ids, all of them. */
  readonly order: readonly string[];
  readonly beforeS: number;
  readonly afterS: number;
  /** It goes into the wet in time where the acts as they stand do not. */
  readonly keepsWindows: boolean;
}

/** Rules that cannot all hold, in whatever order; without any one of them there is one. */
export interface NoOrder {
  readonly conflict: readonly Lag[];
}

/** No act has such an id. */
const ALL_DRY = '·';

/** A gain smaller than this is not worth another order, s. */
const WORTH_S = 60;

/** What lies between the acts of painting, in whatever order they are done, for the sequencer; `null` where there is nothing to put in order. */
export function* paintingOf(plan: Plan, timeline: TimelineAtTable): Work<SequenceRequest | null> {
  const acts = plan.acts.slice(0, firstFinishing(plan));
  if (timeline.never.length > 0 || acts.length < 2) return null;
  // Finishing waits until all is dry, so that is what ends last.
  const dries = acts.map((act): Lag => ({
    ...{ from: act.id, to: ALL_DRY, fromEdge: 'end' },
    minS: driesAfter(timeline, act),
  }));
  return sequenceRequestSchema.parse({
    tasks: [...acts.map((act) => ({ id: act.id, handsS: handsOn(plan, act) })), { id: ALL_DRY, handsS: 0 }],
    lags: [...(yield* findingLags(plan, timeline, acts)), ...dries],
  });
}

/**
 * Puts the acts of painting in the order that ends first, as the sequencer finds it: what touches keeps its order and its
 * drying, what goes into the wet goes in while it shines, the rest fills the waits. Finishing stays as it is. The order is laid
 * out again by the plan's own clocks, and given only where it really ends sooner, or keeps a window that was missed. Where no
 * order can be, the answer is what cannot hold together; `null` where there is nothing better, or nothing proven.
 */
export function* inOrder(plan: Plan): Work<BetterOrder | NoOrder | null> {
  const timeline = yield* layingOut(plan);
  const request = yield* paintingOf(plan, timeline);
  if (!request) return null;
  const { feasible, tasks, conflict = [] } = yield* sequence(request);
  if (!feasible)
    return conflict.length === 0
      ? null
      : { conflict: request.lags.filter((lag) => conflict.includes(lagName(lag))) };
  const acts = plan.acts.slice(0, firstFinishing(plan));
  const startOf = new Map(tasks.map(({ id, startS }) => [id, startS]));
  const ordered = [...acts].sort((a, b) => startOf.get(a.id)! - startOf.get(b.id)!);
  const better = { ...plan, acts: [...ordered, ...plan.acts.slice(acts.length)] };
  const after = yield* layingOut(better);
  const keeps = keepsWindows(after) && !keepsWindows(timeline);
  return timeline.endS - after.endS < WORTH_S && !keeps
    ? null
    : {
        ...{ plan: better, order: better.acts.map(({ id }) => id), keepsWindows: keeps },
        ...{ beforeS: timeline.endS, afterS: after.endS },
      };
}
