import { bounds, convexHull, distance, type Point, type Polygon, type Ring } from '../geometry';
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

/** How far the tool goes over the paper in all, mm. */
export const strokeLength = ({ strokes }: Resist): number =>
  strokes.reduce(
    (sum, { points }) =>
      sum +
      points.slice(1).reduce((way, p, i) => way + distance([p[0], p[1]], [points[i][0], points[i][1]]), 0),
    0,
  );

/** The strokes and drops a rubber of a width takes off along its way; a stroke goes whole, as masking fluid does. */
export function liftedBy(
  resist: Resist,
  way: readonly Point[],
  widthMm: number,
): { readonly strokes: MaskStroke[]; readonly drops: Resist['drops'] } {
  const reach = (at: Point, diameter: number): boolean =>
    way.some(([x, y]) => Math.hypot(x - at[0], y - at[1]) < (widthMm + diameter) / 2);
  const tool = maskingTool(resist.tool);
  return {
    strokes: resist.strokes.filter(({ points }) => {
      const [x, y, width, height] = bounds([points.map(([px, py]): Point => [px, py])]);
      const near = way.some(
        ([px, py]) =>
          px > x - widthMm && py > y - widthMm && px < x + width + widthMm && py < y + height + widthMm,
      );
      return !near || !points.some(([px, py, p]) => reach([px, py], lineMm(tool, p)));
    }),
    drops: resist.drops.filter(([x, y, diameter]) => !reach([x, y], diameter)),
  };
}
