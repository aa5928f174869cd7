import type { Plan } from '@kettle/core/document/plan';
import { formatSpan } from '@kettle/core/kit/units';
import { removalSteps } from '@kettle/core/advice/whites';
import type { MaskReckoning } from '../../workers/table-api';

/** How the masks of a card come off, in words. */
export interface RemovalNotes {
  readonly fluid: string;
  readonly steps: readonly string[];
  readonly rows: readonly {
    readonly id: string;
    readonly name: string;
    readonly says: string;
    readonly tears: string;
  }[];
}

export const removalNotes = (plan: Plan, { allMl, removals }: MaskReckoning): RemovalNotes => ({
  fluid: `${allMl.toFixed(2)} ml`,
  steps: removalSteps(plan.rules),
  rows: removals.map(({ id, name, atS, cm2, tears }) => ({
    ...{ id, name, tears: tears.join(', ') },
    says: `${cm2.toFixed(1)} cm², ${atS === null ? 'no time said yet' : `off ${formatSpan(atS)} after the start`}.`,
  })),
});
