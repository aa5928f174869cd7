import type { Pass, Plan } from '../../document/plan';
import type { Stage } from '../../simulation/water';
import { stageAt, touchedBy, type LaidWash } from './table';
import type { TimelineAtTable } from './timeline';

/** A pass that comes to paper still wet from an earlier one. */
export interface MeetsWet {
  readonly pass: Pass;
  readonly startS: number;
  /** The area through which it was wetted, and its wash. */
  readonly area: string;
  readonly wash: LaidWash;
  readonly stage: Stage;
  /** Whether the pass goes into it; else it only comes beside it. */
  readonly own: boolean;
}

/** Several checks ask for the same. */
const known = new WeakMap<TimelineAtTable, { readonly plan: Plan; readonly meetings: readonly MeetsWet[] }>();

/** Every meeting of a pass with a wash that is not dry as it begins, in order; no barrier lies between them. */
export function meetsWet(plan: Plan, timeline: TimelineAtTable): readonly MeetsWet[] {
  const found = known.get(timeline);
  if (found?.plan === plan) return found.meetings;
  const meetings = timeline.steps.flatMap(({ act, startS, before }): MeetsWet[] =>
    act.kind === 'pass'
      ? [...touchedBy(plan, act, before)].flatMap(([wash, how]) => {
          const stage = stageAt(wash, startS);
          // With a hair of dry paper between, nothing meets.
          return stage === 'dry' || how === 'round'
            ? []
            : [{ pass: act, startS, area: wash.area, wash, stage, own: how === 'into' }];
        })
      : [],
  );
  known.set(timeline, { plan, meetings });
  return meetings;
}
