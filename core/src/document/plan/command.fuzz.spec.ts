import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { anyCommands, isSensible } from '../../testing/arbitrary-plan';
import { smallPlan, applyCommands, commandSchema, planSchema, replayPatches, type Patch, type Plan } from '.';

const RUNS = 40;

describe('a painter pressing at random', () => {
  it('never makes a plan that could not be saved and opened again', () => {
    fc.assert(
      fc.property(anyCommands, (commands) => {
        let plan: Plan = smallPlan();
        for (const command of commands) {
          if (!isSensible(plan, command)) continue;
          expect(commandSchema.safeParse(command).error).toBeUndefined();
          plan = applyCommands(plan, [command]).plan;
        }
        expect(planSchema.safeParse(JSON.parse(JSON.stringify(plan))).error).toBeUndefined();
      }),
      { numRuns: RUNS },
    );
  });

  it('can go back to the very beginning and forward again, to the last field', () => {
    fc.assert(
      fc.property(anyCommands, (commands) => {
        const first = smallPlan();
        let plan: Plan = first;
        const way: { patches: readonly Patch[]; inverse: readonly Patch[] }[] = [];
        for (const command of commands) {
          if (!isSensible(plan, command)) continue;
          const change = applyCommands(plan, [command]);
          way.push(change);
          plan = change.plan;
        }
        const back = way.reduceRight((now, { inverse }) => replayPatches(now, inverse), plan);
        expect(back).toEqual(first);
        expect(way.reduce((now, { patches }) => replayPatches(now, patches), back)).toEqual(plan);
      }),
      { numRuns: RUNS },
    );
  });

  it('finds the same plan in a journal that went through JSON', () => {
    fc.assert(
      fc.property(anyCommands, (commands) => {
        const sensible = commands.filter((command) => isSensible(smallPlan(), command)).slice(0, 1);
        const { plan, patches } = applyCommands(smallPlan(), sensible);
        const stored = JSON.parse(JSON.stringify(patches)) as Patch[];
        expect(replayPatches(smallPlan(), stored)).toEqual(plan);
      }),
      { numRuns: 60 },
    );
  });
});
