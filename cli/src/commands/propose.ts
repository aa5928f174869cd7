import { readPlan } from '@kettle/core/document/versions';
import { proposePasses } from '@kettle/core/advice/proposals';
import { planCommand } from '../command';

export const propose = planCommand({
  name: 'propose',
  says: 'a plan → the plan with passes thought out from its areas, whites and mixes',
  answers: 'a plan; its whites, chores and mixes as they were',
  run: (input) => proposePasses(readPlan(input)).plan,
});
