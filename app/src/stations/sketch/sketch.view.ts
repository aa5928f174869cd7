import { bounds, polygonArea } from '@kettle/core/geometry';
import type { Plan } from '@kettle/core/plan';

/** An area in the list beside the board. */
export interface AreaRow {
  readonly id: string;
  readonly name: string;
  readonly size: string;
}

/** The areas with their size, the one painted last on top. */
export function areaRows(plan: Plan, length: (mm: number) => string): AreaRow[] {
  return plan.areas
    .map(({ id, name, outline }) => {
      const [, , width, height] = bounds(outline);
      return {
        id,
        name,
        size: `${(polygonArea(outline) / 100).toFixed(1)} cm², ${length(width)} × ${length(height)}`,
      };
    })
    .reverse();
}
