import { areasTouch } from '@kettle/core/areas';
import { applyCommands, type Plan, type Start } from '@kettle/core/plan';
import { layOut, possibleStarts, type PossibleStart } from '@kettle/core/schedule';
import type { LookAhead } from '../../workers/table-api';

/** A peg let go this near a start that has a reason takes it, px. */
const SNAP_PX = 9;

/** The starts a peg can be let go at for a reason: hands free, a stage reached, dry. */
export function pegStops({ plan, timeline }: LookAhead, pass: string): PossibleStart[] {
  const step = timeline.steps.find(({ act }) => act.id === pass);
  return step?.act.kind === 'pass' ? possibleStarts(plan, step.act, step) : [];
}

/** Where a peg stands that is held at a time: at the nearest start with a reason, or at a time of its own. */
export function pegAt(stops: readonly PossibleStart[], atS: number, pxPerS: number): PossibleStart {
  const off = (stop: PossibleStart): number => Math.abs(stop.atS - atS) * pxPerS;
  const near = stops.filter((stop) => off(stop) <= SNAP_PX).sort((a, b) => off(a) - off(b));
  const earliest = stops.at(0)?.atS ?? 0;
  const free = Math.round(Math.max(atS, earliest));
  return near.at(0) ?? { start: { atS: free }, atS: free };
}

/** What is ahead if a pass begins then, worked out on the spot; what was found belongs to the plan as it is, and is left out. */
export function withPegAt(ahead: LookAhead, pass: string, start: Start): LookAhead {
  const { plan } = applyCommands(ahead.plan, [{ do: 'change-pass', pass, change: { start } }]);
  return { ...ahead, plan, timeline: layOut(plan), findings: [] };
}

/**
 * Looks at every two areas of a plan once, a pair at a time: who touches whom is then known, and a peg that is taken in the hand
 * follows it at once.
 */
export function* everyPair(plan: Plan): Generator<void> {
  for (const [i, { id }] of plan.areas.entries())
    for (const other of plan.areas.slice(i + 1)) {
      areasTouch(plan, id, other.id);
      yield;
    }
}
