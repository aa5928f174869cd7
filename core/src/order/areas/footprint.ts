import { polygonArea, type Polygon } from '../../kit/geometry';
import { maskingTool, maskPieces, strokePieces, type MaskStroke, type Resist } from '../../drawing/masking';
import { piecesOf, type Plan } from '../../document/plan';
import { joined } from './combine';

/** So many strokes, and whole masks, are kept: a plan comes again and again with all but one of them. */
const KEPT_STROKES = 20_000;
const KEPT_MASKS = 40;
const strokes = new Map<string, Polygon[]>();
const masks = new Map<string, readonly Polygon[]>();

function kept<T>(map: Map<string, T>, most: number, key: string, make: () => T): T {
  const known = map.get(key);
  if (known !== undefined) return known;
  const made = make();
  if (map.size >= most) map.delete(map.keys().next().value!);
  map.set(key, made);
  return made;
}

/** A stroke is told by its first and last place besides its name: another card may have one of the same name. */
const markOf = ({ id, points }: MaskStroke): string =>
  `${id} ${points.length} ${points[0].join(' ')} ${points.at(-1)!.join(' ')}`;

/** What one stroke covers. */
const strokeRegion = (stroke: MaskStroke, tool: Resist['tool']): Polygon[] =>
  kept(strokes, KEPT_STROKES, `${tool} ${markOf(stroke)}`, () =>
    joined(strokePieces(stroke, maskingTool(tool)).map((ring) => [ring])),
  );

/** What an area or a freehand mask covers, its overlapping pieces as one; worked out once. */
export function footprint(plan: Pick<Plan, 'areas' | 'resists'>, id: string): readonly Polygon[] {
  const resist = plan.resists.find((entry) => entry.id === id);
  if (!resist) return piecesOf(plan, id);
  const { tool, strokes: drawn, drops } = resist;
  const key = [tool, ...drawn.map(markOf), ...drops].join('|');
  return kept(masks, KEPT_MASKS, key, () =>
    joined([
      ...drawn.flatMap((stroke) => strokeRegion(stroke, tool)),
      ...maskPieces({ ...resist, strokes: [] }),
    ]),
  );
}

/** What a freehand mask draws as lines, its drops left out. */
export const drawnFootprint = ({ strokes: drawn, tool }: Resist): Polygon[] =>
  joined(drawn.flatMap((stroke) => strokeRegion(stroke, tool)));

/** Fluid a freehand mask takes, ml: its footprint times its wet coat; 0 for wax and melted lines. */
export const fluidMl = (plan: Pick<Plan, 'areas' | 'resists'>, { id, tool }: Resist): number =>
  (footprint(plan, id).reduce((sum, region) => sum + polygonArea(region), 0) *
    (maskingTool(tool).coatUm ?? 0)) /
  1e6;
