import { edgeWithin, grown } from '../../order/areas';
import { gapBetween, type Polygon } from '../../kit/geometry';
import { colourAt, thingOf, type Plan } from '../../document/plan';
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

/** Shorter than this two areas only meet at a corner, mm. */
const MEETS_MM = 2;

/** Further apart a white line is seen between two areas, whatever they are painted, mm. */
const WHITE_LINE_MM = 0.5;

/** Borders as they were last found, as long as the areas are the same: they are asked for after every change of a colour. */
const borders = new WeakMap<Plan['areas'], readonly Border[]>();

type Border = Pick<SharedEdge, 'one' | 'other' | 'sharedMm'>;

/** Finds where areas of a plan meet; done beforehand, what asks for its borders has them at once. */
export function* tracingBorders(plan: Plan): Work<readonly Border[]> {
  const { areas } = plan;
  const known = borders.get(areas);
  if (known) return known;
  const found: Border[] = [];
  for (const [i, one] of areas.entries()) {
    let reach: Polygon[] | null = null;
    for (const other of areas.slice(i + 1)) {
      yield i / areas.length;
      if (gapBetween(one.outline, other.outline, WHITE_LINE_MM) >= WHITE_LINE_MM) continue;
      // The later lies over the earlier: where they overlap it is the later one’s edge that is seen.
      reach ??= grown([one.outline], WHITE_LINE_MM);
      const sharedMm = edgeWithin(other.outline, reach);
      if (sharedMm >= MEETS_MM) found.push({ one: one.id, other: other.id, sharedMm });
    }
  }
  borders.set(areas, found);
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

/** The same with the parts of a thing as one: along the whole of it, and as faint as its faintest part. */
export function edgesOfThings(plan: Plan): SharedEdge[] {
  const whole = new Map<string, SharedEdge>();
  for (const edge of sharedEdges(plan)) {
    const [one, other] = [edge.one, edge.other].map((area) => thingOf(plan, area)?.id ?? area);
    // Letters that run into each other have no edge between them.
    if (one === other) continue;
    const key = one < other ? `${one} ${other}` : `${other} ${one}`;
    const faintest = whole.get(key);
    whole.set(key, faintest ? { ...faintest, sharedMm: faintest.sharedMm + edge.sharedMm } : edge);
  }
  return [...whole.values()];
}
