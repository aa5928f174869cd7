import { readPlan } from '@kettle/core/document/versions';
import { proposePasses } from '@kettle/core/advice/proposals';
import type { CliCommand } from '../command';

export const propose: CliCommand = {
  name: 'propose',
  says: 'a plan → the plan with passes thought out from its areas, whites and mixes',
  shape: {
    in: 'a plan, .kettle or plan.json (docs/schema/plan.schema.json)',
    out: 'a plan; its whites, chores and mixes as they were',
  },
  input: 'plan',
  run: (input) => proposePasses(readPlan(input)).plan,
};
