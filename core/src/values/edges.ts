import { areasTouch, edgeWithin, grown } from '../areas';
import { colourAt, outlineOf, type Plan } from '../plan';
import { LOST_EDGE_L } from '../whites';

/** A border two areas share, and how far they differ in lightness along it, dry and uncovered. */
export interface SharedEdge {
  readonly one: string;
  readonly other: string;
  readonly sharedMm: number;
  readonly differenceL: number;
  /** Too little to be seen as an edge. */
  readonly lost: boolean;
}

/** Shorter than this two areas only meet at a point, mm. */
const MEETS_MM = 1;

/** All borders of a plan, the least difference first. */
export function sharedEdges(plan: Plan): SharedEdge[] {
  const lightness = new Map(plan.areas.map(({ id }) => [id, colourAt(plan, id, plan.acts.length)[0]]));
  const edges = plan.areas.flatMap((one, i) =>
    plan.areas.slice(i + 1).flatMap((other): SharedEdge[] => {
      if (!areasTouch(plan, one.id, other.id)) return [];
      // The later lies over the earlier: where they overlap it is the later one’s edge that is seen.
      const reach = grown([outlineOf(plan, one.id)], plan.rules.bleedGapMm);
      const sharedMm = edgeWithin(outlineOf(plan, other.id), reach);
      if (sharedMm < MEETS_MM) return [];
      const differenceL = Math.abs(lightness.get(one.id)! - lightness.get(other.id)!);
      return [{ one: one.id, other: other.id, sharedMm, differenceL, lost: differenceL < LOST_EDGE_L }];
    }),
  );
  return edges.sort((a, b) => a.differenceL - b.differenceL);
}
