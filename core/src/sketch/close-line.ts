import { gapToLine, isClosed, ringArea, simplifyLine, type Point, type Polygon } from '../geometry';
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

/** The rubber takes a line that passes this near, mm. */
const RUBBER_MM = 1.5;

/** The uppermost line under the rubber at a point, or `undefined`. */
export const lineUnderRubber = (lines: readonly PencilLine[], at: Point): PencilLine | undefined =>
  lines.findLast(
    ({ points }) =>
      gapToLine(
        at,
        points.map(([x, y]): Point => [x, y]),
      ) < RUBBER_MM,
  );
