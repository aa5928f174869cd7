import * as z from 'zod';
import { readPlan } from '@kettle/core/document/versions';
import { readInput, seconds } from '@kettle/core/kit/units';
import { layOut, patchStates } from '@kettle/core/order/schedule';
import { planCommand } from '../command';

/** A plan alone is asked about at its end. */
const atTimeSchema = z.strictObject({ plan: z.looseObject({}), atS: seconds.optional() });

export const patches = planCommand({
  name: 'patches',
  says: 'a plan → its panel cut up into what is treated alike, and how each part is at a moment',
  also: '{plan,atS?} or a plan with atS?; at the end without',
  answers: 'patches[{id,areas[id],cm2,stage,filmUm,paperGm2,masked,lab[L,a,b],probe[x,y]}]',
  run: (input) => {
    const asked = askedOf(input);
    const plan = readPlan(asked.plan);
    const timeline = layOut(plan);
    return { patches: patchStates(plan, timeline, asked.atS ?? timeline.endS) };
  },
});

/** The plan and the moment: beside each other, or the moment among the entries of the plan. */
function askedOf(input: unknown): z.output<typeof atTimeSchema> {
  if (typeof input !== 'object' || input === null || 'plan' in input) return readInput(atTimeSchema, input);
  const { atS, ...plan } = input as { readonly atS?: unknown };
  return readInput(atTimeSchema, { plan, ...(atS === undefined ? {} : { atS }) });
}
