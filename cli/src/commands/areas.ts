import { measureAreas } from '@kettle/core/order/areas';
import { readPlan } from '@kettle/core/document/versions';
import { planCommand } from '../command';

export const areas = planCommand({
  name: 'areas',
  says: 'a plan → how large its areas are, how narrow, and which touch',
  answers: 'areas[{id,cm2,narrowestMm,edgeMm,touching[{id,sharedMm}]}]',
  run: (input) => ({ areas: measureAreas(readPlan(input)) }),
});
