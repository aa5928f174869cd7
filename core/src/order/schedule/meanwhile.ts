import { firstFinishing, handsOn, type Plan } from '../../document/plan';
import { done, type Work } from '../../kit/units';
import { findingLags } from './lags';
import type { TimelineAtTable } from './timeline';

/** A wait of the hands, and what comes later but could be done in it. */
export interface IdleWait {
  /** The act that is waited with. */
  readonly before: string;
  readonly area: string | null;
  readonly waitS: number;
  /** Any one of these acts, by id. */
  readonly meanwhile: readonly string[];
}

/** Waits too short to go to something else, s. */
const LEAST_S = 90;

/**
 * Every wait before the finishing, with the later acts that fit into it: what they themselves wait for is over in time, nothing
 * between has to come before them, and the hands are back when the wait ends.
 */
export function* findingWaits(plan: Plan, timeline: TimelineAtTable): Work<IdleWait[]> {
  const steps = timeline.steps.slice(0, firstFinishing(plan));
  // What can never begin waits for nothing.
  const acts = plan.acts.slice(0, steps.length);
  const lags = yield* findingLags(plan, timeline, acts);
  const waits: IdleWait[] = [];
  for (const [i, { act, startS, waited }] of steps.entries()) {
    if (!waited || startS - waited.fromS < LEAST_S) continue;
    yield 1;
    const earlier = new Map(steps.slice(0, i).map((step) => [step.act.id, step.endS]));
    const fits = ({ id }: (typeof acts)[number], handsS: number): boolean => {
      const own = lags.filter(({ to }) => to === id);
      if (own.some(({ from }) => !earlier.has(from))) return false;
      const readyS = Math.max(waited.fromS, ...own.map(({ from, minS }) => earlier.get(from)! + minS));
      const latestS = Math.min(
        Infinity,
        ...own.map(({ from, maxS = Infinity }) => earlier.get(from)! + maxS),
      );
      return readyS <= latestS && readyS + handsS <= startS;
    };
    const meanwhile = acts.slice(i + 1).filter((later) => fits(later, handsOn(plan, later)));
    waits.push({
      before: act.id,
      area: waited.area,
      waitS: startS - waited.fromS,
      meanwhile: meanwhile.map(({ id }) => id),
    });
  }
  return waits;
}

/** The same in one go. */
export const idleWaits = (plan: Plan, timeline: TimelineAtTable): IdleWait[] =>
  done(findingWaits(plan, timeline));
