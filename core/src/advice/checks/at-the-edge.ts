import { bounds } from '../../kit/geometry';
import { outlineOf, paintedOf, type Plan } from '../../document/plan';

/** How far an area reaches beyond the edge of what is seen of the panel, mm; below 0 it stays so far inside. */
export function beyondEdge(plan: Plan, area: string): number {
  const { widthMm, heightMm } = paintedOf(plan).panel;
  const [x, y, width, height] = bounds(outlineOf(plan, area));
  return Math.max(-x, -y, x + width - widthMm, y + height - heightMm);
}
