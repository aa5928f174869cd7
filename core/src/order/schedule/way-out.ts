import {
  deedOf,
  applyCommands,
  freeId,
  newPass,
  rightAfter,
  rightBefore,
  type Command,
  type Plan,
} from '../../document/plan';
import { sequence, type Lag } from '../sequencing';
import type { Work } from '../../kit/units';
import { paintingOf } from './in-order';
import { layingOut } from './timeline';

/** A change of the plan after which its rules can hold together, and when all is dry then. */
export interface WayOut {
  readonly kind: 'mask-first' | 'straight-after' | 'wet-again';
  /** The act that is moved, or wetted for. */
  readonly act: string;
  /** The act it now comes before or after. */
  readonly other: string;
  readonly commands: readonly Command[];
  readonly endS: number;
}

/** A way out is looked at no longer than this, s. */
const SEARCH_S = 0.5;

/**
 * The cheapest way out of rules that cannot hold together: what goes into the wet comes straight after what it goes into, or
 * its paper is wetted again first; a mask goes on before what it waits for. Cheapest is what is dry first; `null` for none.
 */
export function* cheapestWayOut(plan: Plan, conflict: readonly Lag[]): Work<WayOut | null> {
  let cheapest: WayOut | null = null;
  for (const way of waysOut(plan, conflict)) {
    const changed = applyCommands(plan, way.commands).plan;
    const request = yield* paintingOf(changed, yield* layingOut(changed));
    if (!request) continue;
    const { makespanS } = yield* sequence({ ...request, timeLimitS: SEARCH_S });
    if (makespanS !== null && (cheapest === null || makespanS < cheapest.endS))
      cheapest = { ...way, endS: makespanS };
  }
  return cheapest;
}

function waysOut(plan: Plan, conflict: readonly Lag[]): Omit<WayOut, 'endS'>[] {
  const isMask = (act: string): boolean =>
    plan.acts.some((other) => other.id === act && deedOf(other) === 'masks');
  // What a mask is to keep must not be painted before it.
  const masked = conflict.some(({ from, to }) => isMask(from) || isMask(to));
  return conflict.flatMap(({ from, to, maxS }): Omit<WayOut, 'endS'>[] => {
    const act = plan.acts.find(({ id }) => id === to);
    if (isMask(to))
      return [{ kind: 'mask-first', act: to, other: from, commands: [rightBefore(plan, to, from)] }];
    if (act?.kind !== 'pass' || maxS === undefined) return [];
    const wetted = newPass({
      ...{ id: freeId(plan.acts, 'pre-wet'), areas: act.areas, technique: 'pre-wet', mix: null },
    });
    const again: Command = { do: 'add-act', act: wetted, before: to };
    return [
      { kind: 'wet-again', act: to, other: from, commands: [again] },
      ...(masked
        ? []
        : [
            { kind: 'straight-after' as const, act: to, other: from, commands: [rightAfter(plan, to, from)] },
          ]),
    ];
  });
}
