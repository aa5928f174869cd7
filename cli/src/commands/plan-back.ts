import { planBack as countBack, planBackSchema } from '@kettle/core/commission/occasion';
import { jsonCommand } from '../command';

export const planBackCommand = jsonCommand({
  name: 'plan-back',
  says: 'the evenings before a date, and the last one to start on',
  reads: planBackSchema,
  note: 'days as YYYY-MM-DD',
  answers: 'feasible startBy sittings[{date,minutes}] shortByMin',
  run: countBack,
});
