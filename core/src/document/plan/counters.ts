import { interiorPoint, type Ring } from '../../kit/geometry';
import { covers, outlineOf } from './lookup';
import { isShielded, maskedAfter } from './painted';
import type { Plan } from './plan';

/** A masked shape with openings that a pass has to get paint into, or it is read as another shape or a blot. */
export interface CountersToFill {
  readonly area: string;
  /** How many openings it has in what is painted. */
  readonly counters: number;
}

/** The insides of masked letters and shapes that the act at `index` runs over: each must take paint. */
export function countersToFill(plan: Plan, index: number): CountersToFill[] {
  const act = plan.acts[index];
  if (act.kind !== 'pass' || act.mix === null) return [];
  const masked = [...maskedAfter(plan.acts, index)].filter((id) => plan.areas.some((area) => area.id === id));
  const takesPaint = (hole: Ring): boolean => {
    const at = interiorPoint([hole]);
    return act.areas.some((area) => covers(plan, area, at)) && !isShielded(plan, act, at);
  };
  return masked.flatMap((area) => {
    const [, ...holes] = outlineOf(plan, area);
    const counters = act.areas.includes(area) ? 0 : holes.filter(takesPaint).length;
    return counters > 0 ? [{ area, counters }] : [];
  });
}
