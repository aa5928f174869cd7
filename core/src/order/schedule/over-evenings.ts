import { eveningsFrom, type Evening } from '../../commission/occasion';
import type { Lag, PlacedTask } from '../sequencing';
import { mayBePutOff } from './breaks';

/** What of an order of copies is done on one evening. */
export interface BatchEvening {
  /** `YYYY-MM-DD`. */
  readonly day: string;
  /** Its first step, and the one before which it ends, counted from 0. */
  readonly from: number;
  readonly to: number;
  readonly takesS: number;
  /** How much longer than the evening it takes, where nothing can be left standing sooner, s. */
  readonly overS: number;
}

/**
 * Cuts an order of copies over the painter's evenings from today on, each as full as it goes. Nothing that is to go into the wet is
 * left for another evening; what waits to dry does so overnight. `null` where the evenings run out.
 */
export function overEvenings(
  steps: readonly PlacedTask[],
  lags: readonly Lag[],
  evenings: readonly Evening[],
  today: string,
): readonly BatchEvening[] | null {
  const found: BatchEvening[] = [];
  let from = 0;
  for (const { date: day, minutes } of eveningsFrom(today, evenings)) {
    if (from >= steps.length) break;
    const roomS = 60 * minutes;
    const beginsS = from === 0 ? 0 : steps[from].startS;
    let [to, endS] = [from, beginsS];
    for (let at = from + 1, untilS = steps[from].endS; at <= steps.length; at++) {
      const mayEnd = at === steps.length || mayBePutOff(steps, at, lags, Infinity);
      if (mayEnd && (to === from || untilS - beginsS <= roomS)) [to, endS] = [at, untilS];
      if (to > from && untilS - beginsS > roomS) break;
      if (at < steps.length) untilS = Math.max(untilS, steps[at].endS);
    }
    found.push({
      ...{ day, from, to, takesS: endS - beginsS },
      overS: Math.max(0, endS - beginsS - roomS),
    });
    from = to;
  }
  return from < steps.length ? null : found;
}
