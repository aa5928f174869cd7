import { applyPatches, enablePatches, produceWithPatches, type Patch } from 'immer';
import type { Command } from './command';
import { mustFit } from './limits';
import type { Plan } from './plan';
import { runCommand } from './run-command';

enablePatches();

/** A change to a plan as plain data: what to do, and what undoes it. */
export interface PlanChange {
  readonly plan: Plan;
  readonly patches: readonly Patch[];
  readonly inverse: readonly Patch[];
}

/** Carries commands out in order as one change. The plan given is left as it is. Throws `BadInput` where it would hold too much. */
export function applyCommands(plan: Plan, commands: readonly Command[]): PlanChange {
  const [next, patches, inverse] = produceWithPatches(plan, (draft) => {
    for (const command of commands) runCommand(draft, command);
  });
  mustFit(next, plan);
  return { plan: next, patches, inverse };
}

/** The plan after a recorded change. */
export const replayPatches = (plan: Plan, patches: readonly Patch[]): Plan =>
  applyPatches(plan, patches as Patch[]);

/** The same on plain JSON of any version. Throws where the change does not fit what it is laid on. */
export const replayOnJson = (json: unknown, patches: readonly Patch[]): unknown =>
  applyPatches(json as object, patches as Patch[]);

export type { Patch };
