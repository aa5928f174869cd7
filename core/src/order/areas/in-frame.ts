import { polygonArea, type Ring } from '../../kit/geometry';
import type { Plan } from '../../document/plan';
import { common } from './combine';

/** What becomes of an area when the painting is cropped. `share` of it is inside, 0…1. */
export interface AreaInFrame {
  readonly id: string;
  readonly share: number;
  readonly is: 'whole' | 'cut' | 'out';
}

/** An area of which less than this is lost or left counts as whole or out: a hair at the knife. */
const HAIR = 0.005;

/** What a crop frame with these corners keeps of each area of a plan. */
export function areasInFrame({ areas }: Pick<Plan, 'areas'>, corners: Ring): AreaInFrame[] {
  return areas.map(({ id, outline }) => {
    const kept = common([outline], [[corners]]).reduce((sum, part) => sum + polygonArea(part), 0);
    const share = Math.min(1, kept / polygonArea(outline));
    return { id, share, is: share > 1 - HAIR ? 'whole' : share < HAIR ? 'out' : 'cut' };
  });
}
