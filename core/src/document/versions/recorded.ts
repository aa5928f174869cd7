import { planSchema, replayOnJson, type Patch, type Plan } from '../plan';
import { BadInput, readInput } from '../../kit/units';
import { PLAN_VERSION, planLiftedTo, versionOf } from './migrate';

/** A change as it was journalled: its patches, and the version of the plan they were recorded against. */
export interface RecordedChange {
  /** `null` where the journal does not say, as none did up to `LAST_UNSAID`. */
  readonly version: number | null;
  readonly patches: readonly Patch[];
}

/** Up to this version of the plan, journals did not say of which version they were. */
const LAST_UNSAID = 9;

/**
 * The plan that a saved one and its journal lead to. Patches are replayed on plain JSON of the version they were recorded
 * in; only then is it lifted to today's version and checked. Throws `BadInput` naming the change or field that is wrong.
 */
export function planAfter(saved: unknown, changes: readonly RecordedChange[]): Plan {
  const unsaid = changes.findIndex(({ version }) => version === null);
  if (unsaid < 0) return readInput(planSchema, replayed(saved, changes));
  return afterUnsaid(saved, changes);
}

/**
 * A journal that does not say its version is mostly of the saved plan's own. Where the program was renewed in between, its
 * later part is of the newer version: the longest first part that leads to a whole plan is taken for the older one.
 */
function afterUnsaid(saved: unknown, changes: readonly RecordedChange[]): Plan {
  const [older, newer] = [versionOf(saved), Math.min(LAST_UNSAID, PLAN_VERSION)];
  let fault: unknown = null;
  for (let first = changes.length; first >= 0; first--) {
    const said = changes.map(({ version, patches }, i) => ({
      version: version ?? (i < first ? older : Math.max(older, newer)),
      patches,
    }));
    try {
      return readInput(planSchema, replayed(saved, said));
    } catch (cause) {
      if (!(cause instanceof BadInput)) throw cause;
      fault ??= cause;
    }
  }
  throw fault;
}

/** The JSON a saved plan and its changes lead to, in today's version, not checked. */
export function replayed(saved: unknown, changes: readonly RecordedChange[]): unknown {
  let json = saved;
  changes.forEach(({ version, patches }, i) => {
    if (version !== null && version > PLAN_VERSION)
      throw new BadInput(
        `journal[${i}]`,
        `was written by a newer program (version ${version}, this one reads ${PLAN_VERSION}); update the program`,
      );
    if (version !== null && version > versionOf(json)) json = planLiftedTo(version, json);
    try {
      json = replayOnJson(json, patches);
    } catch (cause) {
      throw new BadInput(`journal[${i}]`, cause instanceof Error ? cause.message : String(cause));
    }
  });
  return planLiftedTo(PLAN_VERSION, json);
}

/** How much of a journal can be read: the plan after the longest first part of it that leads to a whole one; `null` if none does. */
export function readableStart(
  saved: unknown,
  changes: readonly RecordedChange[],
): { readonly plan: Plan; readonly changes: number } | null {
  for (let first = changes.length; first >= 0; first--)
    try {
      return { plan: planAfter(saved, changes.slice(0, first)), changes: first };
    } catch (cause) {
      if (!(cause instanceof BadInput)) throw cause;
    }
  return null;
}
