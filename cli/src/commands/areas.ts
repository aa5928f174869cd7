import { measureAreas } from '@kettle/core/order/areas';
import { readPlan } from '@kettle/core/document/versions';
import type { CliCommand } from '../command';

export const areas: CliCommand = {
  name: 'areas',
  says: 'a plan → how large its areas are, how narrow, and which touch',
  shape: {
    in: 'a plan, .kettle or plan.json (docs/schema/plan.schema.json)',
    out: 'areas[{id,cm2,narrowestMm,edgeMm,touching[{id,sharedMm}]}]',
  },
  input: 'plan',
  run: (input) => ({ areas: measureAreas(readPlan(input)) }),
};
