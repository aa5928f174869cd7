import {
  contains,
  convexHull,
  distance,
  gapToLine,
  type Point,
  type Polygon,
  type Ring,
} from '../../kit/geometry';
import { rubbed } from '../sketch';
import type { MaskStroke, Resist } from './resist';
import { lineMm, maskingTool, type MaskingTool } from './tool';

/** Corners of a round end of a line and of a drop. */
const ROUND = 32;

/** A disc of `ROUND` corners has this much less area than its circle; it is drawn larger by its root. */
const FULL = Math.sqrt((2 * Math.PI) / ROUND / Math.sin((2 * Math.PI) / ROUND));

const disc = (x: number, y: number, diameter: number): Ring =>
  Array.from({ length: ROUND }, (_, i): Point => {
    const turn = (2 * Math.PI * i) / ROUND;
    const radius = (FULL * diameter) / 2;
    return [x + radius * Math.cos(turn), y + radius * Math.sin(turn)];
  });

/** The pieces a stroke covers, one for each step of the hand, its first blob before them; they overlap. */
export function strokePieces({ points }: MaskStroke, tool: MaskingTool): Ring[] {
  const ends = points.map(([x, y, pressure]) => disc(x, y, lineMm(tool, pressure)));
  const [[x, y]] = points;
  const blob = tool.blobMm === null ? [] : [disc(x, y, tool.blobMm)];
  if (ends.length === 1) return [...blob, ends[0]];
  return [...blob, ...ends.slice(1).map((end, i) => convexHull([...ends[i], ...end]))];
}

const covered = new WeakMap<Resist, Polygon[]>();

/** The pieces a freehand mask covers on the panel, mm; they overlap. Worked out once. */
export function maskPieces(resist: Resist): readonly Polygon[] {
  const known = covered.get(resist);
  if (known) return known;
  const tool = maskingTool(resist.tool);
  const pieces = [
    ...resist.strokes.flatMap((stroke) => strokePieces(stroke, tool)),
    ...resist.drops.map(([x, y, diameter]) => disc(x, y, diameter)),
  ].map((ring): Polygon => [ring]);
  covered.set(resist, pieces);
  return pieces;
}

/** Whether a place lies under a freehand mask. */
export function maskHolds({ strokes, drops, tool: id }: Resist, at: Point): boolean {
  const tool = maskingTool(id);
  return (
    drops.some(([x, y, diameter]) => Math.hypot(x - at[0], y - at[1]) < diameter / 2) ||
    strokes.some((stroke) => strokeHolds(stroke, tool, at))
  );
}

/** Far from its places a stroke holds nothing; near them its pieces tell. */
function strokeHolds(stroke: MaskStroke, tool: MaskingTool, at: Point): boolean {
  const [left, top, right, bottom] = strokeBox(stroke, tool);
  if (at[0] < left || at[1] < top || at[0] > right || at[1] > bottom) return false;
  return strokePieces(stroke, tool).some((ring) => contains([ring], at));
}

/** The box a stroke lies in, with the most its tool reaches: `[left, top, right, bottom]`, mm. */
export function strokeBox(
  { points }: MaskStroke,
  { mostMm, blobMm }: MaskingTool,
): readonly [number, number, number, number] {
  const reach = Math.max(mostMm, blobMm ?? 0) / 2;
  let [left, top, right, bottom] = [Infinity, Infinity, -Infinity, -Infinity];
  for (const [x, y] of points) {
    left = Math.min(left, x);
    top = Math.min(top, y);
    right = Math.max(right, x);
    bottom = Math.max(bottom, y);
  }
  return [left - reach, top - reach, right + reach, bottom + reach];
}

/** How far the tool goes over the paper in all, mm. */
export const strokeLength = ({ strokes }: Resist): number =>
  strokes.reduce(
    (sum, { points }) =>
      sum +
      points.slice(1).reduce((way, p, i) => way + distance([p[0], p[1]], [points[i][0], points[i][1]]), 0),
    0,
  );

/** What a rubber of a width takes off along its way: strokes, whole, as masking fluid comes off, and drops by their number. */
export function liftedBy(
  { strokes, drops, tool: id }: Resist,
  way: readonly Point[],
  widthMm: number,
): { readonly strokes: string[]; readonly drops: number[] } {
  const tool = maskingTool(id);
  const line = way.length === 1 ? [way[0], way[0]] : way;
  const near = (at: Point, diameter: number): boolean => gapToLine(at, line) < (widthMm + diameter) / 2;
  const meets = (points: MaskStroke['points']): boolean => {
    const [[x, y, pressure]] = points;
    const wide = Math.max(...points.map(([, , p]) => lineMm(tool, p)));
    return near([x, y], lineMm(tool, pressure)) || rubbed(points, way, widthMm + wide) !== null;
  };
  return {
    strokes: strokes.filter(({ points }) => meets(points)).map((stroke) => stroke.id),
    drops: drops.flatMap(([x, y, diameter], i) => (near([x, y], diameter) ? [i] : [])),
  };
}
