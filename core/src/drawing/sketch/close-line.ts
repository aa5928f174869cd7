import { gapToLine, isClosed, ringArea, simplifyLine, type Point, type Polygon } from '../../kit/geometry';
import type { PencilLine, PencilPoint } from './sketch';

/** Ends further apart than this do not close by themselves, mm; a hand's ordinary miss. Our default. */
const CLOSING_GAP_MM = 4;

/** Freehand wobble below this is not a corner, mm: half a pencil line. */
const LINE_TOLERANCE_MM = 0.15;

/** An enclosed region smaller than this is a tick or a blot, mm². */
const SMALLEST_AREA_MM2 = 4;

/** Thins a pencil line to what matters, keeping corners and pressure. */
export const smoothLine = (points: readonly PencilPoint[]): PencilPoint[] =>
  simplifyLine(points, LINE_TOLERANCE_MM);

/** The region a pencil line encloses, or `null` when it does not close. */
export function regionOfLine(points: readonly PencilPoint[]): Polygon | null {
  const ring = simplifyLine(
    points.map(([x, y]): Point => [x, y]),
    LINE_TOLERANCE_MM,
  );
  if (!isClosed(ring, CLOSING_GAP_MM) || Math.abs(ringArea(ring)) < SMALLEST_AREA_MM2) return null;
  return [ring];
}

/** What any line has, whatever it is drawn with. */
type Drawn = Pick<PencilLine, 'id' | 'points'>;

/** The uppermost line that passes within `nearMm` of a point, or `undefined`. */
export const lineNear = <L extends Drawn>(lines: readonly L[], at: Point, nearMm: number): L | undefined =>
  lines.findLast(
    ({ points }) =>
      gapToLine(
        at,
        points.map(([x, y]): Point => [x, y]),
      ) < nearMm,
  );

/** The lines that lie wholly within a box `[x, y, width, height]`, mm. */
export const linesWithin = (
  lines: readonly Drawn[],
  [left, top, width, height]: readonly [number, number, number, number],
): string[] =>
  lines
    .filter(({ points }) =>
      points.every(([x, y]) => x >= left && x <= left + width && y >= top && y <= top + height),
    )
    .map(({ id }) => id);
