import { bounds, type Polygon } from '@kettle/core/kit/geometry';
import { representativePoint, paintedOf, type Plan } from '@kettle/core/document/plan';
import type { PencilPoint } from '@kettle/core/drawing/sketch';
import type { LookAhead } from '../workers/table-api';

/** One area as drawn: its outline as an SVG path in mm, its colour, and whether a mask lies on it. */
export interface PanelShape {
  readonly id: string;
  readonly name: string;
  readonly path: string;
  readonly fill: string | null;
  readonly masked: boolean;
  readonly label: readonly [number, number];
  readonly widthMm: number;
}

/** The panel as it lies on the table, all in mm from the corner of the visible painting. */
export interface PanelDrawing {
  readonly widthMm: number;
  readonly heightMm: number;
  /** Rim of the sheet beyond the visible painting. */
  readonly rimMm: number;
  readonly shapes: readonly PanelShape[];
  readonly lines: readonly string[];
}

/** The panel at a time of the plan; without one, as it will be when all is done. */
export function panelDrawing(
  plan: Plan,
  ahead: (Pick<LookAhead, 'looks'> & { readonly timeline: Pick<LookAhead['timeline'], 'masks'> }) | null,
  atS = Infinity,
): PanelDrawing {
  const { panel, paint } = paintedOf(plan);
  return {
    widthMm: panel.widthMm,
    heightMm: panel.heightMm,
    rimMm: (paint.widthMm - panel.widthMm) / 2,
    shapes: plan.areas.map(({ id, name, outline }) => ({
      id,
      name,
      path: pathOf(outline),
      fill: ahead?.looks.get(id)?.findLast((frame) => frame.atS <= atS)?.hex ?? null,
      masked:
        ahead?.timeline.masks.some((m) => m.area === id && m.onS <= atS && atS < (m.offS ?? Infinity)) ??
        false,
      // Looked for only where names are shown: a rack of cards shows none.
      get label() {
        return representativePoint(plan, id);
      },
      widthMm: bounds(outline)[2],
    })),
    lines: plan.lines.map(({ points }) => linePath(points)),
  };
}

/** A polygon with its holes as one SVG path. */
export const pathOf = (outline: Polygon): string =>
  outline.map((ring) => `M${ring.map(([x, y]) => `${x} ${y}`).join('L')}Z`).join('');

/** A pencil line as an SVG path. */
export const linePath = (points: readonly PencilPoint[]): string =>
  `M${points.map(([x, y]) => `${x} ${y}`).join('L')}`;
