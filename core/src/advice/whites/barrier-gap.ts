import { common, cutAway, drawnFootprint, grown, joined } from '../../order/areas';
import {
  contains,
  distance,
  gapBetween,
  interiorPoint,
  polygonArea,
  rectangle,
  type Point,
  type Polygon,
} from '../../kit/geometry';
import { drawsLines, lineMm, maskingTool, type Resist } from '../../drawing/masking';
import { paintedOf, type Plan } from '../../document/plan';

/** A place where a line that is to keep two sides apart does not close. */
export interface BarrierGap {
  readonly resist: string;
  readonly at: Point;
  /** From one end to the other, mm. */
  readonly mm: number;
}

/** Wider than this a gap is plainly meant, mm. */
const WIDEST_MM = 1.5;

/** Two sides meet through a gap if they come so near to it, mm: lengths are whole micrometres. */
const NEAR_MM = 0.02;

/** What thickening leaves in sharp corners is smaller than a gap, mm². */
const CRUMB_MM2 = 1e-3;

/**
 * Gaps in a freehand mask through which water goes from one side to the other. The mask, with the edge of the panel, is
 * thickened until the widest gap is closed and thinned again (closing by a disc; Serra 1982): where that fills a place between two
 * sides which are parted only by what was filled, at the end of a stroke, there is a gap.
 */
export function barrierGaps(plan: Plan, resist: Resist): BarrierGap[] {
  if (!drawsLines(resist)) return [];
  const { widthMm, heightMm } = paintedOf(plan).panel;
  const drawn = drawnFootprint(resist);
  const edge = cutAway(
    [rectangle(-WIDEST_MM, -WIDEST_MM, widthMm + 2 * WIDEST_MM, heightMm + 2 * WIDEST_MM)],
    [rectangle(0, 0, widthMm, heightMm)],
  );
  const walls = joined([...drawn, ...edge]);
  const ends = endsOf(resist);
  const reach = closingMm(Math.min(...ends.map(({ reachMm }) => 2 * reachMm)));
  const closed = grown(grown(walls, reach), -reach);
  const sheet = [rectangle(0, 0, widthMm, heightMm)];
  const sides = cutAway(sheet, closed);
  const open = cutAway(sheet, walls);
  return cutAway(closed, walls)
    .filter((piece) => polygonArea(piece) > CRUMB_MM2)
    .flatMap((piece): BarrierGap[] => {
      const at = interiorPoint(piece);
      const end = ends.some(({ point, reachMm }) => distance(point, at) < reachMm + WIDEST_MM);
      if (!end || !parts(piece, sides, open)) return [];
      const mm = across(piece, walls);
      return mm === null || mm > WIDEST_MM ? [] : [{ resist: resist.id, at, mm }];
    });
}

/**
 * Radius of a disc that does not get through the widest gap between two round ends of a line, mm: it touches both when its
 * middle stands so far off the line that (w/2 + r)² = (w/2 + gap/2)² + r².
 */
const closingMm = (wideMm: number): number => (((wideMm + WIDEST_MM) / 2) ** 2 - (wideMm / 2) ** 2) / wideMm;

/** Where the strokes of a mask begin and end, and half their width there. */
const endsOf = ({ strokes, tool }: Resist): { point: Point; reachMm: number }[] =>
  strokes.flatMap(({ points }) =>
    [points[0], points.at(-1)!].map(([x, y, pressure]) => ({
      point: [x, y] as const,
      reachMm: lineMm(maskingTool(tool), pressure) / 2,
    })),
  );

/** Whether a filled place lies between two sides that are one where nothing is filled. */
function parts(piece: Polygon, sides: readonly Polygon[], open: readonly Polygon[]): boolean {
  const round = grown([piece], NEAR_MM);
  const near = sides.filter((side) => common([side], round).length > 0);
  const room = open.find((region) => contains(region, interiorPoint(piece)));
  return room !== undefined && near.filter((side) => contains(room, interiorPoint(side))).length > 1;
}

/** How far it is through a gap, mm: between the two walls that stand nearest to it; `null` if it stands at one only. */
function across(piece: Polygon, walls: readonly Polygon[]): number | null {
  const standing = common(walls, grown([piece], NEAR_MM))
    .filter((wall) => gapBetween(wall, piece) < NEAR_MM)
    .sort((a, b) => polygonArea(b) - polygonArea(a));
  return standing.length < 2 ? null : gapBetween(standing[0], standing[1]);
}
