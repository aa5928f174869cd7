import type { Plan } from '../plan';
import type { Timeline } from '../schedule';
import { bleedIntoWet } from './bleed-into-wet';
import { cardOffEnvelope } from './card-off-envelope';
import type { Check, Finding } from './check';
import { lighterOverDarker } from './lighter-over-darker';
import { maskNotSet } from './mask-not-set';

/** Every check the program makes. To add one: a file beside this, and a line here. */
export const CHECKS: readonly Check[] = [bleedIntoWet, maskNotSet, lighterOverDarker, cardOffEnvelope];

/** All findings of a plan, the gravest first, without those the painter has accepted. */
export function runChecks(plan: Plan, timeline: Timeline): Finding[] {
  const accepted = new Set(plan.accepted.map(({ finding }) => finding));
  const order = ['stop', 'look', 'note'];
  return CHECKS.flatMap((check) =>
    check.find({ plan, timeline }).map((found) => {
      const key = [check.id, found.where.pass ?? '', found.where.area ?? ''].join('/');
      return { id: check.id, key, severity: check.severity, ...found };
    }),
  )
    .filter(({ key }) => !accepted.has(key))
    .sort((a, b) => order.indexOf(a.severity) - order.indexOf(b.severity));
}
