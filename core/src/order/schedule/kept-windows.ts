import { techniqueOf } from '../../document/plan';
import type { Timeline } from './timeline';

/** Passes that go into a wet wash, and how much of their windows is left when they begin. */
export interface WindowLeft {
  readonly pass: string;
  readonly area: string;
  /** Time to spare before it is too late, s; below 0 it is; `null` = it stays open. */
  readonly leftS: number | null;
}

/** Every window of a timeline, in the order in which they are used. */
export const windowsLeft = ({ steps }: Timeline): WindowLeft[] =>
  steps.flatMap(({ act, startS, windows }) =>
    act.kind === 'pass' && techniqueOf(act.technique).start === 'wet'
      ? windows.map(({ area, latestS }) => ({
          ...{ pass: act.id, area },
          leftS: latestS === null ? null : latestS - startS,
        }))
      : [],
  );

/** Whether nothing comes too late. */
export const keepsWindows = (timeline: Timeline): boolean =>
  windowsLeft(timeline).every(({ leftS }) => leftS === null || leftS >= 0);
