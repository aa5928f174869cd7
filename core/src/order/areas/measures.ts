import { edgeLength, polygonArea } from '../../kit/geometry';
import { everMasked, type Plan } from '../../document/plan';
import { areasTouch } from './touching';
import { edgeWithin, grown } from './combine';
import { widthsOf } from './widths';

/** What a painter has to know of an area: how much paint, how fine a brush, how much edge, and what lies against it. */
export interface AreaMeasures {
  readonly id: string;
  readonly cm2: number;
  readonly narrowestMm: number;
  readonly edgeMm: number;
  /** Areas it touches, no barrier of the plan between them, with the length of its own edge that lies within the bleed gap of them. */
  readonly touching: readonly { readonly id: string; readonly sharedMm: number }[];
}

/** Measures every area of a plan. */
export function measureAreas(plan: Plan): AreaMeasures[] {
  const { bleedGapMm } = plan.rules;
  const barriers = everMasked(plan);
  const reach = new Map(plan.areas.map(({ id, outline }) => [id, grown([outline], bleedGapMm)]));
  return plan.areas.map(({ id, outline }) => ({
    id,
    cm2: polygonArea(outline) / 100,
    narrowestMm: widthsOf(outline).narrowestMm,
    edgeMm: edgeLength(outline),
    touching: plan.areas
      .filter((other) => other.id !== id && areasTouch(plan, id, other.id, barriers))
      .map((other) => ({ id: other.id, sharedMm: edgeWithin(outline, reach.get(other.id)!) })),
  }));
}
