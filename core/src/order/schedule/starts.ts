import { AWAITED, type Pass, type Plan, type Start } from '../../document/plan';
import { waitFor } from './table';
import type { StepAtTable } from './timeline';

/** A time at which a pass may begin for a reason a painter can see, and how that is said in the plan. */
export interface PossibleStart {
  readonly start: Start;
  readonly atS: number;
}

/** Two starts nearer than this are the same, s; the one that says more is kept. */
const SAME_S = 1;

/**
 * When a pass might begin, the earliest first: as soon as the hands are free, as what it touches comes to each stage, when it is
 * dry. Times stand on the table as the pass finds it.
 */
export function possibleStarts(plan: Plan, pass: Pass, { before }: StepAtTable): PossibleStart[] {
  const starts: Start[] = ['straight-on', ...AWAITED.map((stage) => ({ stage })), 'when-dry'];
  const found = starts.flatMap((start): PossibleStart[] => {
    const { untilS } = waitFor(plan, { ...pass, start }, before);
    return untilS === null ? [] : [{ start, atS: Math.max(before.freeS, untilS) }];
  });
  return found
    .filter(({ atS }, i) => !found.slice(0, i).some((other) => Math.abs(other.atS - atS) < SAME_S))
    .sort((a, b) => a.atS - b.atS);
}
