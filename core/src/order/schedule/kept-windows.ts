import { techniqueOf } from '../../document/plan';
import { mainWash } from './table';
import type { Timeline } from './timeline';
import { windowOf } from './windows';

/** Passes that go into a wet wash, and how much of their windows is left when they begin. */
export interface WindowLeft {
  readonly pass: string;
  readonly area: string;
  /** Time to spare before it is too late, s; below 0 it is; `null` = it stays open. */
  readonly leftS: number | null;
}

/** Every window of a timeline, in the order in which they are used. */
export const windowsLeft = ({ steps }: Timeline): WindowLeft[] =>
  steps.flatMap(({ act, startS, before }) => {
    if (act.kind !== 'pass' || techniqueOf(act.technique).start !== 'wet') return [];
    return act.areas.flatMap((area): WindowLeft[] => {
      const wash = mainWash(before, area);
      const window = wash ? windowOf(act.technique, wash) : null;
      if (!window) return [];
      return [{ pass: act.id, area, leftS: window.latestS === null ? null : window.latestS - startS }];
    });
  });

/** Whether nothing comes too late. */
export const keepsWindows = (timeline: Timeline): boolean =>
  windowsLeft(timeline).every(({ leftS }) => leftS === null || leftS >= 0);
