import { getStroke } from 'perfect-freehand';
import { maskingTool, type MaskingToolId, type Resist } from '@kettle/core/drawing/masking';
import type { LineKind, PencilPoint } from '@kettle/core/drawing/sketch';

/** What is drawn on a board, and with what: pencil and ink, or a tool that masks, which may leave drops as well. */
export interface BoardLine {
  readonly id: string;
  readonly kind: LineKind | MaskingToolId;
  readonly points: readonly PencilPoint[];
  readonly drops?: Resist['drops'];
  /** Its colour, where that is not the one of its kind. */
  readonly colour?: string;
}

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

/** Masking fluid as it is tinted, to be seen and to see through. */
export const FILM = '#d6a63c9c';

const strokeOf = (kind: BoardLine['kind']): Stroke => {
  if (kind in STROKES) return STROKES[kind as LineKind];
  const { leastMm, mostMm } = maskingTool(kind as MaskingToolId);
  return { lightestMm: leastMm, heaviestMm: mostMm, colour: FILM };
};

export const lineColour = ({ kind, colour }: Pick<BoardLine, 'kind' | 'colour'>): string =>
  colour ?? strokeOf(kind).colour;

/** The outline a line covers on the panel, x and y after one another, mm. */
export function lineOutline(points: readonly PencilPoint[], kind: BoardLine['kind']): number[] {
  const { lightestMm, heaviestMm } = strokeOf(kind);
  // The library's width at a pressure p is size · (1 − thinning + 2 · thinning · p).
  const middleMm = (lightestMm + heaviestMm) / 2;
  return getStroke(
    points.map(([x, y, p]) => [x, y, p]),
    {
      size: middleMm,
      thinning: 1 - lightestMm / middleMm,
      smoothing: 0.4,
      // The points are smoothed already: a line is to reach its own end and corners.
      streamline: 0,
      last: true,
      simulatePressure: false,
    },
  ).flat();
}

const paths = new WeakMap<BoardLine, Path2D>();

/** A line as a path to be filled, mm; worked out once. */
export function linePath2d(line: BoardLine): Path2D {
  const known = paths.get(line);
  if (known) return known;
  const outline = line.points.length > 0 ? lineOutline(line.points, line.kind) : [];
  const path = new Path2D();
  for (let i = 0; i < outline.length; i += 2) {
    if (i === 0) path.moveTo(outline[0], outline[1]);
    else path.lineTo(outline[i], outline[i + 1]);
  }
  path.closePath();
  for (const [x, y, diameter] of line.drops ?? []) {
    path.moveTo(x + diameter / 2, y);
    path.arc(x, y, diameter / 2, 0, 2 * Math.PI);
  }
  paths.set(line, path);
  return path;
}
