import { firstFinishing, handsOn, type Plan } from '../plan';
import { lagsOf } from './lags';
import type { Timeline } from './timeline';

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
export function idleWaits(plan: Plan, timeline: Timeline): IdleWait[] {
  const acts = plan.acts.slice(0, firstFinishing(plan));
  const steps = timeline.steps.slice(0, acts.length);
  const lags = lagsOf(plan, timeline, acts);
  return steps.flatMap(({ act, startS, waited }, i): IdleWait[] => {
    if (!waited || startS - waited.fromS < LEAST_S) return [];
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
    return [
      {
        ...{ before: act.id, area: waited.area, waitS: startS - waited.fromS },
        meanwhile: meanwhile.map(({ id }) => id),
      },
    ];
  });
}
