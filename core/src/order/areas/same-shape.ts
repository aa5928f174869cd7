import { boxesMeet, polygonArea, type Polygon } from '../../kit/geometry';
import type { Plan } from '../../document/plan';
import { common } from './combine';

/** Two outlines share so much of their surface when they are one shape, filled twice. */
const SAME = 0.98;

/** The area that has the shape of a new outline already; `null` where none has. */
export function sameShape({ areas }: Pick<Plan, 'areas'>, outline: Polygon): string | null {
  const own = polygonArea(outline);
  const alike = areas.find((area) => {
    const other = polygonArea(area.outline);
    if (Math.min(own, other) < SAME * Math.max(own, other) || !boxesMeet(outline, area.outline)) return false;
    const shared = common([outline], [area.outline]).reduce((sum, part) => sum + polygonArea(part), 0);
    return shared >= SAME * Math.max(own, other);
  });
  return alike?.id ?? null;
}
