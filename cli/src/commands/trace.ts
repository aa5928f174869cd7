import { readPlan } from '@kettle/core/document/versions';
import { settingsOf } from '@kettle/core/drawing/lettering';
import { traceSheet } from '@kettle/core/files/prints';
import type { CliCommand } from '../command';

export const trace: CliCommand = {
  name: 'trace',
  says: 'a plan → its trace sheet at true size, as SVG',
  shape: {
    in: 'a plan, .kettle or plan.json (docs/schema/plan.schema.json)',
    out: 'SVG text, its units millimetres',
  },
  input: 'plan',
  prints: 'text',
  letters: true,
  run: (input, fonts) => {
    const plan = readPlan(input);
    return traceSheet(plan, { settings: settingsOf(plan.words, fonts) });
  },
};
