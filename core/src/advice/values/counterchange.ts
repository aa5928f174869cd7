import { contains, type Point } from '../../kit/geometry';
import { seen, toLamp } from '../../drawing/lamp';
import { lightnessOver, outlineOf, type Plan } from '../../document/plan';

/** A body against its ground, on the side of the lamp and on the other: lit stands out against dark, shade against light. */
export interface Counterchange {
  readonly area: string;
  /** Lightness of the body less that of the ground beside it, L*; lit side first. */
  readonly litL: number;
  readonly shadeL: number;
  readonly lit: Point;
  readonly shade: Point;
}

/** So far inside and outside the edge it is looked at, mm. */
const BESIDE_MM = 1.2;

/** Compares every area that is the picture of a body with what lies beside it; none without a lamp. */
export function counterchanges(plan: Plan): Counterchange[] {
  if (!plan.lamp) return [];
  const [right, down] = seen(toLamp(plan.lamp));
  const length = Math.hypot(right, down);
  if (length < 1e-6) return [];
  const towards: Point = [right / length, down / length];
  const lightnessAt = lightnessOver(plan, plan.acts.length);
  return plan.areas
    .filter(({ form }) => form !== undefined)
    .map(({ id }) => {
      const [edge] = outlineOf(plan, id);
      const along = ([x, y]: Point): number => x * towards[0] + y * towards[1];
      const lit = edge.reduce((a, b) => (along(b) > along(a) ? b : a));
      const shade = edge.reduce((a, b) => (along(b) < along(a) ? b : a));
      const step = ([x, y]: Point, way: number): Point => [
        x + way * BESIDE_MM * towards[0],
        y + way * BESIDE_MM * towards[1],
      ];
      // What lies on the body, its shade too, is the body’s own.
      const outside = (at: Point): string | undefined => (contains(outlineOf(plan, id), at) ? undefined : id);
      const difference = (at: Point, way: number): number =>
        lightnessAt(step(at, -way)) - lightnessAt(step(at, way), outside(step(at, way)));
      const [litL, shadeL] = [difference(lit, 1), difference(shade, -1)];
      return { area: id, litL, shadeL, lit, shade };
    });
}
