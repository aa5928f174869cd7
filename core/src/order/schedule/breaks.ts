import type { Lag, PlacedTask } from '../sequencing';

/** A rest of the hands. */
export interface Break {
  readonly startS: number;
  readonly endS: number;
  /** Put in; the others come by themselves, where something dries. */
  readonly added: boolean;
}

/** Hands rest at least so often, and at least so long, s. */
export const WORK_S = 45 * 60;
export const REST_S = 5 * 60;

/**
 * Puts breaks into the work of one pair of hands: where it goes on for longer than three quarters of an hour, everything from
 * some act on is put off, as late as can be, and never between two acts that would then lie too far apart. Where there is no
 * such place, as in washes that must not wait, the hands go on to the next.
 */
export function withBreaks(
  placed: readonly PlacedTask[],
  lags: readonly Lag[],
): { readonly steps: PlacedTask[]; readonly breaks: Break[] } {
  let steps = [...placed].sort((a, b) => a.startS - b.startS);
  const breaks: Break[] = [];
  let first = 0;
  for (let i = 1; i < steps.length; i++) {
    const [beforeS, nextS] = [steps[i - 1].endS, steps[i].startS];
    if (nextS - beforeS >= REST_S) {
      breaks.push({ startS: beforeS, endS: nextS, added: false });
      first = i;
      continue;
    }
    if (steps[i].endS - steps[first].startS <= WORK_S) continue;
    const at = lastPlace(steps, first, i, lags);
    if (at === null) continue;
    steps = steps.map((step, k) =>
      k < at ? step : { ...step, startS: step.startS + REST_S, endS: step.endS + REST_S },
    );
    breaks.push({ startS: steps[at - 1].endS, endS: steps[at].startS, added: true });
    first = at;
    i = at;
  }
  return { steps, breaks };
}

/** The last act after `first`, up to `i`, from which on all may be put off; `null` where there is none. */
function lastPlace(
  steps: readonly PlacedTask[],
  first: number,
  i: number,
  lags: readonly Lag[],
): number | null {
  for (let at = i; at > first; at--) if (mayBePutOff(steps, at, lags, REST_S)) return at;
  return null;
}

/** Whether all acts from one on may come so much later without any window being missed. */
export function mayBePutOff(
  steps: readonly PlacedTask[],
  at: number,
  lags: readonly Lag[],
  byS: number,
): boolean {
  const key = (id: string, copy: number): string => `${copy} ${id}`;
  const done = new Map(steps.slice(0, at).map((step) => [key(step.id, step.copy), step]));
  return lags.every(({ from, to, fromEdge, maxS }) => {
    if (maxS === undefined) return true;
    return steps.slice(at).every((step) => {
      const before = step.id === to ? done.get(key(from, step.copy)) : undefined;
      if (!before) return true;
      const edgeS = fromEdge === 'start' ? before.startS : before.endS;
      return step.startS + byS - edgeS <= maxS;
    });
  });
}
