import { getStroke } from 'perfect-freehand';
import type { LineKind, PencilLine, PencilPoint } from '@kettle/core/sketch';

/** Width of a line at the lightest and the heaviest pressure, mm, and its tone. */
interface Stroke {
  readonly lightestMm: number;
  readonly heaviestMm: number;
  readonly colour: string;
}

const STROKES: Readonly<Record<LineKind, Stroke>> = {
  pencil: { lightestMm: 0.25, heaviestMm: 0.9, colour: '#4a525ad8' },
  'waterproof-ink': { lightestMm: 0.35, heaviestMm: 0.7, colour: '#14181d' },
  'soluble-ink': { lightestMm: 0.35, heaviestMm: 0.7, colour: '#33507a' },
  stamped: { lightestMm: 0.4, heaviestMm: 0.4, colour: '#b3a48ee0' },
  fold: { lightestMm: 0.3, heaviestMm: 0.3, colour: '#0f5e63c0' },
};

export const lineColour = (kind: LineKind): string => STROKES[kind].colour;

/** The outline a line covers on the panel, x and y after one another, mm. */
export function lineOutline(points: readonly PencilPoint[], kind: LineKind): number[] {
  const { lightestMm, heaviestMm } = STROKES[kind];
  return getStroke(
    points.map(([x, y, p]) => [x, y, p]),
    {
      size: heaviestMm,
      thinning: 1 - lightestMm / heaviestMm,
      smoothing: 0.4,
      // The points are smoothed already: a line is to reach its own end and corners.
      streamline: 0,
      last: true,
      simulatePressure: false,
    },
  ).flat();
}

const paths = new WeakMap<PencilLine, Path2D>();

/** A line as a path to be filled, mm; worked out once. */
export function linePath2d(line: PencilLine): Path2D {
  const known = paths.get(line);
  if (known) return known;
  const outline = lineOutline(line.points, line.kind);
  const path = new Path2D();
  for (let i = 0; i < outline.length; i += 2) {
    if (i === 0) path.moveTo(outline[0], outline[1]);
    else path.lineTo(outline[i], outline[i + 1]);
  }
  path.closePath();
  paths.set(line, path);
  return path;
}
