import type { Plan } from '../plan';
import type { Timeline } from '../schedule';
import { barrierGap } from './barrier-gap';
import { bleedIntoWet } from './bleed-into-wet';
import { cardOffEnvelope } from './card-off-envelope';
import type { Check, Finding } from './check';
import { contourLost } from './contour-lost';
import { counterClosed } from './counter-closed';
import { liftOnStaining } from './lift-on-staining';
import { lighterOverDarker } from './lighter-over-darker';
import { maskLineTooFine } from './mask-line-too-fine';
import { maskNotSet } from './mask-not-set';
import { maskTooLarge } from './mask-too-large';
import { maskTooLong } from './mask-too-long';
import { spatterTooSmall } from './spatter-too-small';
import { whiteCrossed } from './white-crossed';

/** Every check the program makes. To add one: a file beside this, and a line here. */
export const CHECKS: readonly Check[] = [
  bleedIntoWet,
  maskNotSet,
  maskTooLong,
  maskTooLarge,
  maskLineTooFine,
  counterClosed,
  barrierGap,
  whiteCrossed,
  contourLost,
  liftOnStaining,
  spatterTooSmall,
  lighterOverDarker,
  cardOffEnvelope,
];

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
