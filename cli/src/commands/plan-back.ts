import { planBack as countBack, planBackSchema } from '@kettle/core/commission/occasion';
import { readInput } from '@kettle/core/kit/units';
import type { CliCommand } from '../command';

export const planBack: CliCommand = {
  name: 'plan-back',
  says: 'the evenings before a date, and the last one to start on',
  shape: {
    in: 'today needBy (YYYY-MM-DD) postingDays pressingNights?=1 evenings[{weekday:1–7,minutes}] handsMin waitMin',
    out: 'feasible startBy sittings[{date,minutes}] shortByMin',
  },
  input: 'json',
  run: (input) => countBack(readInput(planBackSchema, input)),
};
