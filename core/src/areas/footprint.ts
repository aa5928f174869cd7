import { polygonArea, type Polygon } from '../geometry';
import { maskingTool, type Resist } from '../masking';
import { piecesOf, type Plan } from '../plan';
import { joined } from './combine';

const whole = new WeakMap<readonly Polygon[], readonly Polygon[]>();

/** What an area or a freehand mask covers, its overlapping pieces as one; worked out once. */
export function footprint(plan: Pick<Plan, 'areas' | 'resists'>, id: string): readonly Polygon[] {
  const pieces = piecesOf(plan, id);
  if (pieces.length < 2) return pieces;
  const known = whole.get(pieces) ?? joined(pieces);
  whole.set(pieces, known);
  return known;
}

/** Fluid a freehand mask takes, ml: its footprint times its wet coat; 0 for wax and melted lines. */
export const fluidMl = (plan: Pick<Plan, 'areas' | 'resists'>, { id, tool }: Resist): number =>
  (footprint(plan, id).reduce((sum, region) => sum + polygonArea(region), 0) *
    (maskingTool(tool).coatUm ?? 0)) /
  1e6;
