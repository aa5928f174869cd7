import { polygonArea } from '../../kit/geometry';
import { mixesOf, mixOf, type Pass, type Plan, type PlannedMix } from '../../document/plan';

/** The mixes that are painted with, and the first pass of each that lies on an area. */
export const usedMixes = (plan: Plan): { mix: PlannedMix; pass: Pass }[] =>
  plan.mixes.flatMap((mix) => {
    const pass = plan.acts.find(
      (act): act is Pass => act.kind === 'pass' && mixesOf(act).includes(mix.id) && act.areas.length > 0,
    );
    return pass ? [{ mix, pass }] : [];
  });

/** The pass whose paint lies uppermost on an area. */
export const uppermost = ({ acts }: Pick<Plan, 'acts'>, area: string): Pass | undefined =>
  acts.findLast((act): act is Pass => act.kind === 'pass' && act.mix !== null && act.areas.includes(area));

/** The mixes that are seen in the end, those of the largest areas first. */
export function mixesBySize(plan: Plan): PlannedMix[] {
  const areas = [...plan.areas].sort((one, other) => polygonArea(other.outline) - polygonArea(one.outline));
  const seen = areas.flatMap(({ id }) => uppermost(plan, id)?.mix ?? []);
  return [...new Set(seen)].map((mix) => mixOf(plan, mix));
}
