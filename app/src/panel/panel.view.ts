import { bounds, type Polygon } from '@kettle/core/kit/geometry';
import {
  nameOf,
  outlineOf,
  representativePoint,
  paintedOf,
  thingOf,
  type Plan,
  type Thing,
} from '@kettle/core/document/plan';
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
    shapes: plan.areas.map(({ id, outline }) => ({
      id,
      name: nameOn(plan, id),
      path: pathOf(outline),
      fill: ahead?.looks.get(id)?.findLast((frame) => frame.atS <= atS)?.hex ?? null,
      masked:
        ahead?.timeline.masks.some((m) => m.area === id && m.onS <= atS && atS < (m.offS ?? Infinity)) ??
        false,
      // Looked for only where names are shown: a rack of cards shows none.
      get label() {
        return labelOn(plan, id);
      },
      get widthMm() {
        return boxOf(plan, id)[2];
      },
    })),
    lines: plan.lines.map(({ points }) => linePath(points)),
  };
}

/** The name that stands on an area: that of a thing once, on the first of it. */
function nameOn(plan: Plan, area: string): string {
  const thing = thingOf(plan, area);
  const own = nameOf(plan, area);
  if (!thing) return own;
  // Letters say themselves what they are.
  const isLettered = own.startsWith(`${thing.name}: `);
  return firstOf(plan, thing) === area && !isLettered ? thing.name : '';
}

const firstOf = ({ areas }: Plan, { members }: Thing): string | undefined =>
  areas.find(({ id }) => members.includes(id))?.id;

/** The box round an area, or round all areas of the thing that is named on it. */
function boxOf(plan: Plan, area: string): ReturnType<typeof bounds> {
  const members = thingOf(plan, area)?.members;
  if (!members) return bounds(outlineOf(plan, area));
  return bounds([plan.areas.filter(({ id }) => members.includes(id)).flatMap(({ outline: [ring] }) => ring)]);
}

/** How far below a thing its name stands, mm. */
const BELOW_MM = 5;

function labelOn(plan: Plan, area: string): readonly [number, number] {
  if (!thingOf(plan, area)) return representativePoint(plan, area);
  const [x, y, width, height] = boxOf(plan, area);
  return [x + width / 2, y + height + BELOW_MM];
}

/** A polygon with its holes as one SVG path. */
export const pathOf = (outline: Polygon): string =>
  outline.map((ring) => `M${ring.map(([x, y]) => `${x} ${y}`).join('L')}Z`).join('');

/** A pencil line as an SVG path. */
export const linePath = (points: readonly PencilPoint[]): string =>
  `M${points.map(([x, y]) => `${x} ${y}`).join('L')}`;
