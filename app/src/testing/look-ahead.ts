import { runChecks, unheeded } from '@kettle/core/advice/checks';
import type { Plan } from '@kettle/core/document/plan';
import { areaLooks, idleWaits, layOut } from '@kettle/core/order/schedule';
import type { LookAhead } from '../workers/table-api';

/** What the worker would answer for a plan, worked out on the spot. */
export function lookAheadOf(plan: Plan): LookAhead {
  const timeline = layOut(plan);
  return {
    revision: 1,
    plan,
    timeline,
    looks: areaLooks(plan, timeline),
    findings: runChecks(plan, timeline),
    unheeded: unheeded(plan),
    waits: idleWaits(plan, timeline),
    creepMm: new Map(),
    kernel: 'plain',
  };
}
