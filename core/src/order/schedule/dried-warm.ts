import { touchingAreas } from '../areas';
import {
  deedOf,
  DRY_WARM,
  firstFinishing,
  freeId,
  techniqueOf,
  type Act,
  type Command,
  type Plan,
} from '../../document/plan';

/**
 * A dryer after every pass that nothing wet follows, but never over masking fluid that may still be soft: a mask is known to
 * have set when a pass that waits for it has begun.
 */
export function driedWarm(plan: Plan): Command[] {
  const painting = plan.acts.slice(0, firstFinishing(plan));
  const soft = new Set<string>();
  let acts: readonly Act[] = plan.acts;
  return painting.flatMap((act, i): Command[] => {
    if (deedOf(act) === 'masks') act.areas.forEach((area) => soft.add(area));
    if (deedOf(act) === 'unmasks') act.areas.forEach((area) => soft.delete(area));
    if (act.kind !== 'pass') return [];
    if (act.start === 'when-dry')
      for (const area of touchingAreas(plan, act.areas, [...soft])) soft.delete(area);
    if (soft.size > 0 || goesIntoWet(painting.at(i + 1))) return [];
    const warm: Act = { kind: 'chore', id: freeId(acts, DRY_WARM), chore: DRY_WARM, areas: [], handsS: null };
    acts = [...acts, warm];
    return [{ do: 'add-act', act: warm, before: plan.acts.at(i + 1)?.id ?? null }];
  });
}

const goesIntoWet = (next: Act | undefined): boolean =>
  next?.kind === 'pass' && techniqueOf(next.technique).start === 'wet';
