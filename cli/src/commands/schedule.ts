import { sequence, sequenceRequestSchema } from '@kettle/core/order/sequencing';
import { done, readInput } from '@kettle/core/kit/units';
import type { CliCommand } from '../command';

export const schedule: CliCommand = {
  name: 'schedule',
  says: 'tasks put in order: latest starts kept, hands, heat tool and boards shared, copies side by side',
  shape: {
    in: 'tasks[{id,handsS,card?,heat?,board?:"takes"|"frees"}] lags[{id?,from,to,fromEdge:"start"|"end",minS,maxS?}] copies?=1 hands?=1 boards? timeLimitS?=3',
    out: 'feasible makespanS lowerBoundS optimal tasks[{id,copy,startS,endS}] conflict?[lag ids, "from>to" for one without]',
  },
  input: 'json',
  run: (input) => done(sequence(readInput(sequenceRequestSchema, input))),
};
