import { acrossGrain } from './across-grain';
import type { Plan } from '../../document/plan';
import type { TimelineAtTable } from '../../order/schedule';
import { done, type Work } from '../../kit/units';
import { backrunRisk, secondPassWater } from './backrun-risk';
import { barrierGap } from './barrier-gap';
import { bleedIntoWet } from './bleed-into-wet';
import { borderLostOnWhite } from './border-lost-on-white';
import { brushDryInLine } from './brush-dry-in-line';
import { cardOffEnvelope } from './card-off-envelope';
import { chargeTooLate } from './charge-too-late';
import { byThing } from './by-thing';
import { keyOf, type Check, type CheckContext, type Finding } from './check';
import { cockleRisk } from './cockle-risk';
import { contourLost } from './contour-lost';
import { counterClosed } from './counter-closed';
import { dateMissed } from './date-missed';
import { driesTooPale } from './dries-too-pale';
import { handOnWet } from './hand-on-wet';
import { liftOnStaining } from './lift-on-staining';
import { lighterOverDarker } from './lighter-over-darker';
import { lineBuried } from './line-buried';
import { lineWillRun } from './line-will-run';
import { maskHeated } from './mask-heated';
import { maskLineTooFine } from './mask-line-too-fine';
import { maskNotSet } from './mask-not-set';
import { maskTooLarge } from './mask-too-large';
import { maskTooLong } from './mask-too-long';
import { metalTooThin } from './metal-too-thin';
import { mixRunsShort } from './mix-runs-short';
import { mixNeverUsed } from './mix-never-used';
import { mud } from './mud';
import { neverPainted } from './never-painted';
import { oneValue } from './one-value';
import { poolAtTape } from './pool-at-tape';
import { saltHeated, saltTooDry, saltTooWet } from './salt';
import { shadeWrongSide } from './shade-wrong-side';
import { spatterTooSmall } from './spatter-too-small';
import { splashReaches } from './splash-reaches';
import { stencilWetBelow } from './stencil-wet-below';
import { tapeOnKeep } from './tape-on-keep';
import { complementsMeet, thirdColour } from './third-colour';
import { tooManyPasses } from './too-many-passes';
import { tooThick } from './too-thick';
import { valuesTooClose } from './values-too-close';
import { waterFouled } from './water-fouled';
import { wetsNoPaper } from './wets-no-paper';
import { whiteCrossed } from './white-crossed';

/** Every check the program makes. To add one: a file beside this, and a line here. */
export const CHECKS: readonly Check[] = [
  ...[bleedIntoWet, chargeTooLate, secondPassWater, backrunRisk, poolAtTape],
  ...[maskNotSet, maskHeated, maskTooLong, maskTooLarge, maskLineTooFine],
  ...[barrierGap, counterClosed, whiteCrossed, contourLost],
  ...[lighterOverDarker, mud, thirdColour, complementsMeet, valuesTooClose, oneValue, shadeWrongSide],
  ...[wetsNoPaper, neverPainted, mixNeverUsed],
  ...[driesTooPale, mixRunsShort, brushDryInLine, waterFouled],
  ...[saltHeated, saltTooWet, saltTooDry, liftOnStaining],
  ...[lineWillRun, lineBuried, metalTooThin],
  ...[spatterTooSmall, splashReaches, handOnWet, tooManyPasses, cockleRisk, stencilWetBelow],
  ...[tapeOnKeep, cardOffEnvelope, tooThick, acrossGrain, dateMissed, borderLostOnWhite],
];

/** The checks that are not made of a plan, since its rules turn them off. */
export const unheeded = ({ rules }: Plan): Pick<Check, 'id' | 'name'>[] =>
  CHECKS.filter(({ id }) => rules.weights[id] === 'off').map(({ id, name }) => ({ id, name }));

const GRAVEST_FIRST = ['stop', 'look', 'note'];

/**
 * All findings of a plan, the gravest first, as much as the house lets each check matter, without those the painter has
 * accepted. Without a desk, what depends on its dish and evenings takes a usual dish and is silent of evenings.
 */
export const checking = (
  plan: Plan,
  timeline: TimelineAtTable,
  desk?: CheckContext['desk'],
): Work<Finding[]> => checkingWith(CHECKS, plan, timeline, desk);

/** The findings that stop the work, by those checks alone that may. */
export function* checkingStops(plan: Plan, timeline: TimelineAtTable): Work<Finding[]> {
  const may = CHECKS.filter(({ id, severity }) => (plan.rules.weights[id] ?? severity) === 'stop');
  const findings = yield* checkingWith(may, plan, timeline);
  return findings.filter(({ severity }) => severity === 'stop');
}

function* checkingWith(
  checks: readonly Check[],
  plan: Plan,
  timeline: TimelineAtTable,
  desk?: CheckContext['desk'],
): Work<Finding[]> {
  const accepted = new Set(plan.accepted.map(({ finding }) => finding));
  const context: CheckContext = { plan, timeline, ...(desk ? { desk } : {}) };
  const findings: Finding[] = [];
  for (const [i, { id, station, severity, find }] of checks.entries()) {
    const weight = plan.rules.weights[id] as Finding['severity'] | 'off' | undefined;
    if (weight === 'off') continue;
    yield i / checks.length;
    for (const found of find(context)) {
      yield i / checks.length;
      if (found === null) continue;
      const key = keyOf(id, found.where);
      if (!accepted.has(key))
        findings.push({ station, severity, ...found, ...(weight ? { severity: weight } : {}), id, key });
    }
  }
  return byThing(plan, findings).sort(
    (a, b) => GRAVEST_FIRST.indexOf(a.severity) - GRAVEST_FIRST.indexOf(b.severity),
  );
}

/** The same in one go. */
export const runChecks = (plan: Plan, timeline: TimelineAtTable, desk?: CheckContext['desk']): Finding[] =>
  done(checking(plan, timeline, desk));
