import {
  bounds,
  distance,
  gapBetween,
  gapToLine,
  middleOf,
  type Point,
  type Polygon,
  type Ring,
} from '../../kit/geometry';
import { paintedOf, type Plan } from '../../document/plan';
import { cutAway, stroked } from './combine';

/** Width of a strip that holds what would fall out, and the least paper between two cuts, mm. Ours, for 300 g/m². */
export const BRIDGE_MM = 2;
export const WEB_MM = 2;

/** Glue land round an opening’s backing, mm. Ours. */
export const LAND_MM = 5;

/** An opening as the knife goes: its parts, between the bridges that hold what would fall out of it. */
export interface CutOut {
  readonly area: string;
  readonly parts: readonly Polygon[];
  readonly bridges: number;
  /** The backing that closes it from behind, with its glue land. */
  readonly backing: { readonly widthMm: number; readonly heightMm: number };
}

/** Two openings, or one and the edge of the panel, with too little paper between. */
export interface ThinWeb {
  readonly area: string;
  readonly other: string | null;
  readonly webMm: number;
}

/** Everything that is cut out of a panel, and where the paper between is too thin to hold. */
export function cutOuts(plan: Plan): { readonly cuts: CutOut[]; readonly thin: ThinWeb[] } {
  const openings = plan.areas.filter(({ opening }) => opening);
  const cuts = openings.map(({ id, outline }): CutOut => {
    const strips = bridgesOf(outline);
    const [, , width, height] = bounds(outline);
    return {
      area: id,
      parts: strips.length === 0 ? [outline] : cutAway([outline], stroked(strips, BRIDGE_MM)),
      bridges: strips.length,
      backing: { widthMm: width + 2 * LAND_MM, heightMm: height + 2 * LAND_MM },
    };
  });
  return { cuts, thin: thinWebs(plan, openings) };
}

/** Two bridges to every island: the shortest there is, and the shortest on the island’s other side. */
function bridgesOf([outer, ...islands]: Polygon): Point[][] {
  return islands.flatMap((island) => {
    const middle = middleOf([island]);
    const ways = island.map((from) => ({ from, to: nearestOn(outer, from) }));
    const length = ({ from, to }: { from: Point; to: Point }): number => distance(from, to);
    const first = ways.reduce((best, way) => (length(way) < length(best) ? way : best));
    const facing = (point: Point): number =>
      (point[0] - middle[0]) * (first.from[0] - middle[0]) +
      (point[1] - middle[1]) * (first.from[1] - middle[1]);
    const behind = ways.filter(({ from }) => facing(from) < 0);
    const second =
      behind.length > 0 ? behind.reduce((best, way) => (length(way) < length(best) ? way : best)) : null;
    return [first, second].flatMap((way) => (way ? [beyond(way.from, way.to)] : []));
  });
}

/** A strip reaches a little into the paper at both its ends, so that no sliver parts it from what it holds. */
function beyond(from: Point, to: Point): Point[] {
  const length = distance(from, to) || 1;
  const [x, y] = [((to[0] - from[0]) / length) * BRIDGE_MM, ((to[1] - from[1]) / length) * BRIDGE_MM];
  return [
    [from[0] - x, from[1] - y],
    [to[0] + x, to[1] + y],
  ];
}

/** The point of a ring that is nearest to another point. */
function nearestOn(ring: Ring, point: Point): Point {
  let best: { readonly at: Point; readonly gap: number } = { at: ring[0], gap: Infinity };
  ring.forEach((a, i) => {
    const b = ring[(i + 1) % ring.length];
    const gap = gapToLine(point, [a, b]);
    if (gap >= best.gap) return;
    const [dx, dy] = [b[0] - a[0], b[1] - a[1]];
    const along = ((point[0] - a[0]) * dx + (point[1] - a[1]) * dy) / (dx * dx + dy * dy || 1);
    const t = Math.max(0, Math.min(1, along));
    best = { at: [a[0] + t * dx, a[1] + t * dy], gap };
  });
  return best.at;
}

function thinWebs(plan: Plan, openings: Plan['areas']): ThinWeb[] {
  const { widthMm, heightMm } = paintedOf(plan).panel;
  return openings.flatMap(({ id, outline }, i) => {
    const [x, y, width, height] = bounds(outline);
    const toEdge = Math.min(x, y, widthMm - x - width, heightMm - y - height);
    const others = openings
      .slice(i + 1)
      .map((other) => ({ area: id, other: other.id, webMm: gapBetween(outline, other.outline) }));
    return [...others, { area: id, other: null, webMm: toEdge }].filter(({ webMm }) => webMm < WEB_MM);
  });
}
