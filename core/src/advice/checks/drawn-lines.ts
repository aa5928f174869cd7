import { gapToLine, contains, type Point } from '../../kit/geometry';
import { outlineOf, type Plan } from '../../document/plan';
import type { LineKind } from '../../drawing/sketch';

/** How many lines of these kinds run through an area. */
export const linesThrough = (plan: Plan, area: string, kinds: readonly LineKind[]): number =>
  plan.lines.filter(
    ({ kind, points }) => kinds.includes(kind) && points.some(([x, y]) => within(plan, area, [x, y])),
  ).length;

/** A line along the edge of an area is wetted with it, mm. */
const EDGE_MM = 0.5;

function within(plan: Plan, area: string, at: Point): boolean {
  const outline = outlineOf(plan, area);
  return contains(outline, at) || outline.some((ring) => gapToLine(at, [...ring, ring[0]]) < EDGE_MM);
}
