import { CHORES, type Plan } from '@kettle/core/document/plan';
import { finishing } from '@kettle/core/order/finish';
import { choreOf } from '@kettle/core/document/plan';
import { formatClock, formatSpan } from '@kettle/core/kit/units';
import type { LookAhead } from '../../workers/table-api';

/** One finishing chore as a line of the list. */
export interface FinishRow {
  readonly id: string;
  readonly says: string;
  readonly when: string;
  readonly wait: string;
  readonly gate: string;
  readonly caution: string;
}

/** The finishing chores in the painter's order, with what each waits for. */
export function finishRows(plan: Plan, ahead: LookAhead): FinishRow[] {
  return finishing(plan, ahead.timeline).map(
    ({ act, says, startS, endS, idleS, waitsFor, afterwards, size }) => {
      const { gate, caution } = choreOf(act.chore);
      const area = plan.areas.find((a) => a.id === waitsFor)?.name;
      return {
        id: act.id,
        says: size ? `${says}: ${size}` : says,
        when: `at ${formatClock(startS)}, ${formatSpan(endS - startS)} in hand${afterwards ? `, ${afterwards}` : ''}`,
        wait: idleS > 0 && area ? `wait ${formatSpan(idleS)} until the ${area} is dry` : '',
        gate: gate ? `First: ${gate.test.toLowerCase()}. ${gate.question}` : '',
        caution: caution ?? '',
      };
    },
  );
}

/** Finishing chores that are not in the plan yet. */
export const choresToAdd = (plan: Plan): { id: string; name: string }[] =>
  CHORES.filter(
    ({ id, finishing: late }) => late && id !== 'mask-off' && !plan.acts.some((act) => act.id === id),
  ).map(({ id, name }) => ({ id, name }));
