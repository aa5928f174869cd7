import { variantsOf, type Plan } from '../../document/plan';
import { layingOut, type TimelineAtTable } from '../../order/schedule';
import { done, type Work } from '../../kit/units';
import type { CheckContext, Finding } from './check';
import { checking, CHECKS } from './registry';

/**
 * What is found of a card as it is planned and, besides, of the copies that are painted otherwise: what goes wrong with them
 * alone is said by their name, and mended by painting all alike.
 */
export function* checkingAllVariants(
  plan: Plan,
  timeline: TimelineAtTable,
  desk?: CheckContext['desk'],
): Work<Finding[]> {
  const found = yield* checking(plan, timeline, desk);
  const known = new Set(found.map(({ key }) => key));
  const ofTheCard = new Set(CHECKS.flatMap((check) => (check.ofTheCard ? [check.id] : [])));
  const accepted = new Set(plan.accepted.map(({ finding }) => finding));
  for (const { variant, plan: own } of variantsOf(plan)) {
    if (variant === null) continue;
    const findings = yield* checking(own, yield* layingOut(own), desk);
    for (const finding of findings) {
      const key = `${finding.key}@${variant.id}`;
      if (ofTheCard.has(finding.id) || known.has(finding.key) || accepted.has(key)) continue;
      found.push({
        ...finding,
        key,
        why: `Of those painted “${variant.name}”: ${finding.why}`,
        fix: { says: 'Paint all copies as planned', commands: [{ do: 'take-variant', variant: variant.id }] },
      });
    }
  }
  return found;
}

/** The same in one go. */
export const checkAllVariants = (
  plan: Plan,
  timeline: TimelineAtTable,
  desk?: CheckContext['desk'],
): Finding[] => done(checkingAllVariants(plan, timeline, desk));
