import { edgeLength, gapBetween, polygonArea, type Polygon } from '../geometry';
import { CUTTING_IN_MM_S, outlineOf, type Plan, type White } from '../plan';

/** A single mask part larger than this tears weak paper, cm². Trade habit. */
const LARGE_MASK_CM2 = 6;

export interface WayOfKeeping {
  readonly way: White['way'];
  readonly name: string;
  readonly reason: string;
  readonly discouraged: boolean;
}

/** Does a pass on another area run over this one? */
export const isCrossed = (plan: Plan, area: string): boolean =>
  plan.acts.some(
    (act) =>
      act.kind === 'pass' &&
      !act.areas.includes(area) &&
      act.areas.some((other) => gapBetween(outlineOf(plan, other), outlineOf(plan, area)) === 0),
  );

/** The ways to keep one part light, each with its number, given whether a later pass crosses it. */
export function waysOfKeeping(outline: Polygon, crossed: boolean): WayOfKeeping[] {
  const cm2 = polygonArea(outline) / 100;
  const edgeMm = edgeLength(outline);
  const large = cm2 > LARGE_MASK_CM2;
  return [
    {
      way: 'mask',
      name: 'mask it',
      reason: large
        ? `${cm2.toFixed(1)} cm² in one part: above ${LARGE_MASK_CM2} cm² a mask may tear the paper`
        : `${cm2.toFixed(1)} cm², a wash can run straight over it`,
      discouraged: large,
    },
    {
      way: 'paint-round',
      name: 'paint round it',
      reason: `${Math.round(edgeMm)} mm of edge, about ${Math.max(1, Math.round(edgeMm / CUTTING_IN_MM_S))} s of cutting in`,
      discouraged: false,
    },
    {
      way: 'bare',
      name: 'leave it bare',
      reason: crossed ? 'a pass crosses it as planned' : 'nothing crosses it',
      discouraged: crossed,
    },
  ];
}
