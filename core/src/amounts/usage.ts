import { cutAway, footprint, joined } from '../areas';
import { polygonArea, rectangle, type Polygon } from '../geometry';
import { maskedAfter, outlineOf, paintedOf, whitesRound, type Pass, type Plan } from '../plan';

/** What a pass really wets: its areas less what is masked, shielded, or painted round. */
export function wetted(plan: Plan, index: number): Polygon[] {
  const pass = plan.acts[index] as Pass;
  const masked = [...maskedAfter(plan.acts, index)].flatMap((id) => footprint(plan, id));
  const over = (lies: 'over' | 'round'): Polygon[] =>
    pass.shields.filter((shield) => shield.lies === lies).map(({ area }) => outlineOf(plan, area));
  const { widthMm, heightMm } = paintedOf(plan).panel;
  const open = over('round').flatMap((outline) => cutAway([rectangle(0, 0, widthMm, heightMm)], [outline]));
  const areas = pass.areas.flatMap((area) =>
    cutAway(
      [outlineOf(plan, area)],
      whitesRound(plan, pass, area).map((white) => outlineOf(plan, white.area)),
    ),
  );
  return cutAway(joined(areas), [...masked, ...over('over'), ...open]);
}

/** Paint one pass leaves on one card, ml: what it wets, by its share, times its film. */
export function paintOf(plan: Plan, index: number): number {
  const { covers, filmUm } = plan.acts[index] as Pass;
  const mm2 = wetted(plan, index).reduce((sum, region) => sum + polygonArea(region), 0);
  return (mm2 * covers * filmUm) / 1e6;
}
