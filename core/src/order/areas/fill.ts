import { contains, gapToLine, type Point, type Polygon, rectangle } from '../../kit/geometry';
import type { PencilLine } from '../../drawing/sketch';
import { common, cutAway, grown, stroked } from './combine';

/** Gaps between pencil lines up to this are bridged when a region is filled, mm. Our default. */
export const BRIDGED_MM = 1;

/** Finer than this two pencil lines are one, mm: a line is filled up to its middle. */
const LINE_MM = 0.02;

/**
 * The region of a panel that pencil lines enclose round a point, `null` on a line or outside. Gaps up to `bridgedMm` are
 * bridged: the lines are thickened until they close, and what is left is grown back by as much (closing by a disc;
 * Serra 1982). The panel's own edges bound it too.
 */
export function regionAt(
  lines: readonly Pick<PencilLine, 'points'>[],
  at: Point,
  panel: { readonly widthMm: number; readonly heightMm: number },
  bridgedMm = BRIDGED_MM,
): Polygon | null {
  const sheet = rectangle(0, 0, panel.widthMm, panel.heightMm);
  if (!contains(sheet, at)) return null;
  const drawn = lines.map(({ points }) => points.map(([x, y]): Point => [x, y]));
  const reach = bridgedMm + LINE_MM;
  const around = (regions: readonly Polygon[]): Polygon | undefined =>
    regions.find((region) => contains(region, at));
  const round = around(cutAway([sheet], stroked(drawn, reach)));
  if (!round) return null;
  // Grown back it must not cross a line into the next region, nor the edge of the panel.
  const back = common(grown([round], reach / 2), [sheet]);
  return around(cutAway(back, stroked(drawn, LINE_MM))) ?? null;
}

/** A region filled between lines, and the lines that enclose it. */
export interface Filled {
  readonly outline: Polygon;
  readonly lines: string[];
}

/** What a press on a panel fills between what is drawn; folds are no drawing; `null` where there is nothing to fill. */
export function filledAt(
  lines: readonly PencilLine[],
  at: Point,
  panel: { readonly widthMm: number; readonly heightMm: number },
): Filled | null {
  const drawn = lines.filter(({ kind }) => kind !== 'fold');
  const outline = regionAt(drawn, at, panel);
  return outline && { outline, lines: linesRound(outline, drawn) };
}

/** The lines that a filled region is bounded by. */
export function linesRound(region: Polygon, lines: readonly PencilLine[]): string[] {
  const corners = region.flat();
  return lines
    .filter(({ points }) => {
      const drawn = points.map(([x, y]): Point => [x, y]);
      return corners.some((corner) => gapToLine(corner, drawn) <= 2 * LINE_MM);
    })
    .map(({ id }) => id);
}
