import { sequence, sequenceRequestSchema } from '@kettle/core/order/sequencing';
import { done } from '@kettle/core/kit/units';
import { jsonCommand } from '../command';

export const schedule = jsonCommand({
  name: 'schedule',
  says: 'tasks put in order: latest starts kept, hands, heat tool and boards shared, copies side by side',
  reads: sequenceRequestSchema,
  answers:
    'feasible makespanS lowerBoundS optimal tasks[{id,copy,startS,endS}] conflict?[lag ids, "from>to" for one without]',
  run: (input) => done(sequence(input)),
});
