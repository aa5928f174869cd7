import { sparedBy, type Pass, type Plan } from '../../document/plan';
import { patchesIn, type Patch } from './patches';

/**
 * The patches a pass wets, each with the area it names through which it comes there: those of its areas that are not under
 * mask, not covered by what is laid on the sheet, and not in what the pass is painted round. `masked` are the areas and freehand
 * masks under fluid.
 */
export function reachedBy(
  plan: Plan,
  pass: Pass,
  masked: (id: string) => boolean,
): ReadonlyMap<Patch, string> {
  const reached = new Map<Patch, string>();
  for (const through of pass.areas) {
    const round = sparedBy(plan, pass, through);
    for (const patch of patchesIn(plan, through)) {
      if (reached.has(patch)) continue;
      const lies = (id: string): boolean => patch.under.includes(id);
      if (patch.under.some(masked) || round.some(lies)) continue;
      if (pass.shields.some(({ area, lies: how }) => lies(area) === (how === 'over'))) continue;
      reached.set(patch, through);
    }
  }
  return reached;
}
