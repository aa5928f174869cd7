import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { applyCommands, firstFinishing, smallPlan, type Plan } from '../../document/plan';
import { anyCommands, isSensible } from '../../testing/arbitrary-plan';
import { cases } from '../../testing/cases';
import { BadInput, done } from '../../kit/units';
import { sequence } from '../sequencing';
import { batchOf } from './batch';
import { inOrder, paintingOf } from './in-order';
import { keepsWindows } from './kept-windows';
import { layOut } from './timeline';

/** Three hundred plans, every order of each, and two copies of it. */
const LONG_MS = 300_000;

/** Few enough acts of painting that every order is looked at. */
const MOST_ACTS = 9;

const anyPlan = anyCommands.map((commands) =>
  commands.reduce(
    (plan, command) => (isSensible(plan, command) ? applyCommands(plan, [command]).plan : plan),
    smallPlan(),
  ),
);

const isFeasibleForSeveral = (plan: Plan): boolean => {
  try {
    done(
      batchOf([{ ...plan, variants: [], brief: { ...plan.brief, copies: 2, spares: 0 } }], {
        evenings: [],
        today: '2026-03-02',
      }),
    );
    return true;
  } catch (cause) {
    if (cause instanceof BadInput) return false;
    throw cause;
  }
};

describe('Passes, Put in order and Several at once', () => {
  const agree = (): void => {
    fc.assert(
      fc.property(anyPlan, (plan) => {
        const timeline = layOut(plan);
        const acts = firstFinishing(plan);
        fc.pre(timeline.never.length === 0 && acts >= 2 && acts <= MOST_ACTS && keepsWindows(timeline));
        const request = done(paintingOf(plan, timeline))!;
        const { feasible, makespanS } = done(sequence(request));
        expect(feasible).toBe(true);
        // What Passes does is one of the orders; the best of them ends no later.
        expect(makespanS!).toBeLessThanOrEqual(timeline.endS + 1);
        expect(isFeasibleForSeveral(plan)).toBe(true);
        const better = done(inOrder(plan));
        if (better && 'plan' in better) expect(keepsWindows(layOut(better.plan))).toBe(true);
      }),
      { numRuns: cases(300), seed: 22, endOnFailure: true },
    );
  };

  it(
    'agree: what keeps its windows as it stands can be put in order, and be painted twice side by side',
    agree,
    LONG_MS,
  );
});
