import { applyCommands, type Start } from '@kettle/core/document/plan';
import type { PossibleStart, Timeline } from '@kettle/core/order/schedule';
import type { LookAhead } from '../../workers/table-api';

/** A peg let go this near a start that has a reason takes it, px. */
const SNAP_PX = 9;

/** Where a peg stands that is held at a time: at the nearest start with a reason, or at a time of its own. */
export function pegAt(stops: readonly PossibleStart[], atS: number, pxPerS: number): PossibleStart {
  const off = (stop: PossibleStart): number => Math.abs(stop.atS - atS) * pxPerS;
  const near = stops.filter((stop) => off(stop) <= SNAP_PX).sort((a, b) => off(a) - off(b));
  const earliest = stops.at(0)?.atS ?? 0;
  const free = Math.round(Math.max(atS, earliest));
  return near.at(0) ?? { start: { atS: free }, atS: free };
}

/** What is ahead if a pass begins then, its times worked out; what was found belongs to the plan as it is, and is left out. */
export function withPegAt(ahead: LookAhead, { pass, start }: Peg, timeline: Timeline): LookAhead {
  const { plan } = applyCommands(ahead.plan, [{ do: 'change-pass', pass, change: { start } }]);
  return { ...ahead, plan, timeline, findings: [] };
}

/** A pass and when it is to begin. */
interface Peg {
  readonly pass: string;
  readonly start: Start;
}
