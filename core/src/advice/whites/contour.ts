import { grown } from '../../order/areas';
import { contains, distance, type Point, type Ring } from '../../kit/geometry';
import { colourAt, layersAt, outlineOf, paintedOf, type Plan } from '../../document/plan';
import { remembered } from '../../kit/units';

/** A difference along an edge smaller than this is a lost edge, L*. */
export const LOST_EDGE_L = 10;

/** How far outside its edge the ground of a white is looked at, mm: beyond a wavering of the hand. */
const OUTSIDE_MM = 0.6;

/** Places looked at along an edge, at most. */
const PLACES = 120;

/** How much of an area’s edge is lost when all masks are off, of what is planned round it, and a place where it is. */
export interface LostContour {
  readonly share: number;
  readonly at: Point | null;
}

/** Compares an area, when all is painted and uncovered, with what is painted just outside it: the uppermost area there. */
export function lostContour(plan: Plan, area: string): LostContour {
  const end = plan.acts.length;
  const own = colourAt(plan, area, end)[0];
  const isPlanned = ({ uppermost }: PlaceRound): boolean =>
    uppermost !== null && layersAt(plan, uppermost, end).length > 0;
  const places = placesRound(plan, area).filter(isPlanned);
  const lost = places.filter(
    ({ uppermost }) => Math.abs(colourAt(plan, uppermost!, end)[0] - own) < LOST_EDGE_L,
  );
  return {
    share: places.length === 0 ? 0 : lost.length / places.length,
    at: lost.length === 0 ? null : lost[lost.length >> 1].at,
  };
}

/** A place just outside an area, and the area that lies uppermost there; `null` where the paper is bare. */
interface PlaceRound {
  readonly at: Point;
  readonly uppermost: string | null;
}

/** Places round areas are asked for with one strength of a mix after another. */
const placesKnown = remembered<readonly PlaceRound[]>();

function placesRound(plan: Plan, area: string): readonly PlaceRound[] {
  const { widthMm, heightMm } = paintedOf(plan).panel;
  return placesKnown(plan.areas, `${area} ${widthMm} ${heightMm}`, () =>
    grown([outlineOf(plan, area)], OUTSIDE_MM)
      .flatMap(([outer]) => spread(outer))
      .filter(([x, y]) => x > 0 && y > 0 && x < widthMm && y < heightMm)
      .map((at) => ({
        at,
        uppermost: plan.areas.findLast(({ id, outline }) => id !== area && contains(outline, at))?.id ?? null,
      })),
  );
}

/** Places along a ring at even steps. */
function spread(ring: Ring): Point[] {
  const sides = ring.map((a, i) => ({ a, b: ring[(i + 1) % ring.length] }));
  const step = sides.reduce((sum, { a, b }) => sum + distance(a, b), 0) / PLACES;
  const places: Point[] = [];
  let left = 0;
  for (const { a, b } of sides) {
    const length = distance(a, b);
    for (; left < length; left += step) {
      const t = left / length;
      places.push([a[0] + t * (b[0] - a[0]), a[1] + t * (b[1] - a[1])]);
    }
    left -= length;
  }
  return places;
}
