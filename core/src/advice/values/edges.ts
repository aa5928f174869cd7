import { areasTouch, edgeWithin, grown } from '../../order/areas';
import type { Polygon } from '../../kit/geometry';
import { colourAt, type Plan } from '../../document/plan';
import { done, type Work } from '../../kit/units';
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

/** Borders as they were last found, as long as the areas are the same: they are asked for after every change of a colour. */
const borders = new WeakMap<Plan['areas'], { readonly gapMm: number; readonly found: readonly Border[] }>();

type Border = Pick<SharedEdge, 'one' | 'other' | 'sharedMm'>;

/** Finds where areas of a plan meet; done beforehand, what asks for its borders has them at once. */
export function* tracingBorders(plan: Plan): Work<readonly Border[]> {
  const { areas, rules } = plan;
  const known = borders.get(areas);
  if (known?.gapMm === rules.bleedGapMm) return known.found;
  const found: Border[] = [];
  for (const [i, one] of areas.entries()) {
    let reach: Polygon[] | null = null;
    for (const other of areas.slice(i + 1)) {
      yield i / areas.length;
      if (!areasTouch(plan, one.id, other.id)) continue;
      // The later lies over the earlier: where they overlap it is the later one’s edge that is seen.
      reach ??= grown([one.outline], rules.bleedGapMm);
      const sharedMm = edgeWithin(other.outline, reach);
      if (sharedMm >= MEETS_MM) found.push({ one: one.id, other: other.id, sharedMm });
    }
  }
  borders.set(areas, { gapMm: rules.bleedGapMm, found });
  return found;
}

/** All borders of a plan, the least difference first. */
export function sharedEdges(plan: Plan): SharedEdge[] {
  const lightness = new Map(plan.areas.map(({ id }) => [id, colourAt(plan, id, plan.acts.length)[0]]));
  return done(tracingBorders(plan))
    .map((border): SharedEdge => {
      const differenceL = Math.abs(lightness.get(border.one)! - lightness.get(border.other)!);
      return { ...border, differenceL, lost: differenceL < LOST_EDGE_L };
    })
    .sort((a, b) => a.differenceL - b.differenceL);
}
