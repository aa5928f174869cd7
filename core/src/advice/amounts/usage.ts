import { cutAway, drawnFootprint, joined } from '../../order/areas';
import { bounds, polygonArea, rectangle, type Polygon } from '../../kit/geometry';
import { remembered } from '../../kit/units';
import {
  maskedAfter,
  outlineOf,
  paintedOf,
  partLaid,
  sparedBy,
  type Pass,
  type Plan,
} from '../../document/plan';
import { underDrops } from './under-drops';

/** What a pass wets, but for drops of mask on it: its areas less what is masked, shielded, or painted round. */
export function wetted(plan: Plan, index: number): Polygon[] {
  const pass = plan.acts[index] as Pass;
  const masked = [...maskedAfter(plan.acts, index)].flatMap((id) => {
    const resist = plan.resists.find((entry) => entry.id === id);
    return resist ? drawnFootprint(resist) : [outlineOf(plan, id)];
  });
  const over = (lies: 'over' | 'round'): Polygon[] =>
    pass.shields.filter((shield) => shield.lies === lies).map(({ area }) => outlineOf(plan, area));
  const { widthMm, heightMm } = paintedOf(plan).panel;
  const open = over('round').flatMap((outline) => cutAway([rectangle(0, 0, widthMm, heightMm)], [outline]));
  const areas = pass.areas.flatMap((area) =>
    cutAway(
      [outlineOf(plan, area)],
      sparedBy(plan, pass, area).map((spared) => outlineOf(plan, spared)),
    ),
  );
  return cutAway(joined(areas), [...masked, ...over('over'), ...open]);
}

/** Surface a pass wets, mm², all of it or part: what drops of mask keep off is left out. */
function wettedMm2(plan: Plan, index: number, regions: readonly Polygon[]): number {
  const masked = maskedAfter(plan.acts, index);
  const sprayed = plan.resists.filter(({ id, drops }) => masked.has(id) && drops.length > 0);
  const whole = regions.reduce((sum, region) => sum + polygonArea(region), 0);
  if (sprayed.length === 0) return whole;
  // Thousands of drops lie where they lay while colours and times change.
  const key = [...sprayed.map(({ id }) => id), ...regions.map(markOf)].join(' ');
  const drops = (): number =>
    underDrops(
      regions,
      sprayed.flatMap((resist) => resist.drops),
    );
  return whole - dropsKnown(plan.resists, key, drops);
}

const dropsKnown = remembered<number>();

/** What tells a region from another. */
const markOf = (region: Polygon): string => `${bounds(region).join(',')}:${polygonArea(region)}`;

/**
 * Paint one pass leaves on one card, ml, by the mix it is laid in: what it wets of its place, by its share, times its film.
 * None of clear water.
 */
export function paintByMix(plan: Plan, index: number): ReadonlyMap<string, number> {
  const pass = plan.acts[index] as Pass;
  const found = new Map<string, number>();
  if (pass.mix === null) return found;
  const mm2Of = (regions: readonly Polygon[]): number => wettedMm2(plan, index, regions);
  const add = (mix: string, mm2: number): void =>
    void found.set(mix, (found.get(mix) ?? 0) + (mm2 * pass.covers * pass.filmUm) / 1e6);
  let left = wetted(plan, index);
  for (const other of pass.also.toReversed()) {
    const rest = cutAway(left, [partLaid(plan, pass, other)]);
    add(other.mix, mm2Of(left) - mm2Of(rest));
    left = rest;
  }
  add(pass.mix, mm2Of(left));
  return found;
}
