import { kindsOf, type Plan } from '../plan';
import { layOut, type Timeline } from '../schedule';
import type { CheckContext, Finding } from './check';
import { runChecks } from './registry';

/**
 * What is found of a card as it is planned and, besides, of the copies that are painted otherwise: what goes wrong with them
 * alone is said by their name, and mended by painting all alike.
 */
export function checkAllKinds(plan: Plan, timeline: Timeline, desk?: CheckContext['desk']): Finding[] {
  const asPlanned = runChecks(plan, timeline, desk);
  const known = new Set(asPlanned.map(({ key }) => key));
  const accepted = new Set(plan.accepted.map(({ finding }) => finding));
  const others = kindsOf(plan).flatMap(({ variant, plan: own }): Finding[] => {
    if (variant === null) return [];
    return runChecks(own, layOut(own), desk)
      .filter(({ key }) => !known.has(key))
      .map((finding) => ({
        ...finding,
        key: `${finding.key}@${variant.id}`,
        why: `Of those painted “${variant.name}”: ${finding.why}`,
        fix: { says: 'Paint all copies as planned', commands: [{ do: 'take-variant', variant: variant.id }] },
      }));
  });
  return [...asPlanned, ...others.filter(({ key }) => !accepted.has(key))];
}
