import { cutAway, footprint } from '../areas';
import { oneRing, rectangle, type Polygon } from '../../kit/geometry';
import { maskedAfter, outlineOf, paintedOf, rimOf, type Pass, type Plan } from '../../document/plan';
import type { PanelAct, Shield } from '../../simulation/water';

/** A region on the sheet that is painted, mm from its corner: the plan counts from the corner of what will be seen of it. */
export function onSheet(plan: Plan, outline: Polygon): Polygon {
  const rim = rimOf(plan);
  return outline.map((ring) => ring.map(([x, y]) => [x + rim, y + rim] as const));
}

/** What lies on the sheet during a pass: cut-out paper over an area, or a stencil open where the area is. */
function shieldRegions(plan: Plan, { shields }: Pass): { region: Polygon; edge: Shield['edge'] }[] {
  const { widthMm, heightMm } = paintedOf(plan).paint;
  const sheet = rectangle(0, 0, widthMm, heightMm);
  return shields.flatMap(({ area, lies, edge }) => {
    const outline = onSheet(plan, outlineOf(plan, area));
    const regions = lies === 'over' ? [outline] : cutAway([sheet], [outline]);
    return regions.map((region) => ({ region, edge }));
  });
}

/** The shields of a pass as drops meet them. */
export const shieldsOf = (plan: Plan, pass: Pass): Shield[] =>
  shieldRegions(plan, pass).map(({ region, edge }) => ({ shape: { polygon: oneRing(region) }, edge }));

/** Shields laid before a brush comes and taken up after it; what is masked anyway stays masked. */
export function underShields(
  plan: Plan,
  pass: Pass,
  index: number,
  [fromS, toS]: readonly [number, number],
  acts: readonly PanelAct[],
): PanelAct[] {
  const masked = [...maskedAfter(plan.acts, index)].flatMap((id) =>
    footprint(plan, id).map((region) => onSheet(plan, region)),
  );
  const covered = cutAway(
    shieldRegions(plan, pass).map(({ region }) => region),
    masked,
  ).map((region) => ({ polygon: oneRing(region) }));
  return [
    ...covered.map((shape) => ({ kind: 'mask' as const, atS: fromS, shape })),
    ...acts,
    ...covered.map((shape) => ({ kind: 'unmask' as const, atS: toS, shape })),
  ];
}
