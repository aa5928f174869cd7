import { bounds, contains, gapBetween, gapToLine, type Polygon } from '../../kit/geometry';
import { maskingTool, strokeBox, strokePieces, type Resist } from '../../drawing/masking';

/** An upright box: what lies further from it than something need not be measured. */
export type Box = readonly [left: number, top: number, right: number, bottom: number];

export const boxOf = (region: Polygon): Box => {
  const [x, y, width, height] = bounds(region);
  return [x, y, x + width, y + height];
};

/** How far two boxes lie apart, mm. */
export const apart = (a: Box, b: Box): number =>
  Math.hypot(Math.max(0, b[0] - a[2], a[0] - b[2]), Math.max(0, b[1] - a[3], a[1] - b[3]));

/** Least gap between two lots of pieces below `least`; those whose boxes lie further apart need not be looked at. */
export function nearest(some: readonly Polygon[], others: readonly Polygon[], least: number): number {
  const boxes = others.map(boxOf);
  for (const one of some) {
    const box = boxOf(one);
    for (const [i, other] of others.entries()) {
      if (apart(box, boxes[i]) >= least) continue;
      least = gapBetween(one, other, least);
      if (least === 0) return 0;
    }
  }
  return least;
}

/** Gap between regions and a freehand mask, mm: 0 as soon as any of it lies on them, without end from `mostMm` on. */
export function gapToMask(
  regions: readonly Polygon[],
  { strokes, drops, tool: id }: Resist,
  mostMm: number,
): number {
  const tool = maskingTool(id);
  const boxes = regions.map(boxOf);
  let least = mostMm;
  for (const [i, region] of regions.entries()) {
    for (const stroke of strokes) {
      if (apart(strokeBox(stroke, tool), boxes[i]) >= least) continue;
      if (stroke.points.some(([x, y]) => contains(region, [x, y]))) return 0;
      const pieces = strokePieces(stroke, tool).map((ring): Polygon => [ring]);
      least = nearest([region], pieces, least);
      if (least === 0) return 0;
    }
    for (const [x, y, diameter] of drops) {
      if (apart([x, y, x, y], boxes[i]) - diameter / 2 >= least) continue;
      if (contains(region, [x, y])) return 0;
      const off = Math.min(...region.map((ring) => gapToLine([x, y], [...ring, ring[0]])));
      least = Math.min(least, Math.max(0, off - diameter / 2));
      if (least === 0) return 0;
    }
  }
  return least < mostMm ? least : Infinity;
}
