import { readPlan } from '@kettle/core/document/versions';
import { settingsOf } from '@kettle/core/drawing/lettering';
import { traceSheet } from '@kettle/core/files/prints';
import { planCommand } from '../command';

export const trace = planCommand({
  name: 'trace',
  says: 'a plan → its trace sheet at true size, as SVG',
  answers: 'SVG text, its units millimetres',
  prints: 'text',
  letters: true,
  run: (input, fonts) => {
    const plan = readPlan(input);
    return traceSheet(plan, { settings: settingsOf(plan.words, fonts) });
  },
});
