import * as z from 'zod';
import { id } from '../../kit/units';
import { feastRuleSchema } from './feast';

/** Somebody cards are made for, and the days of the year that are theirs. Kept in this browser only. */
export const personSchema = z.strictObject({
  id,
  name: z.string().min(1).max(80),
  days: z.array(z.strictObject({ name: z.string().min(1).max(60), rule: feastRuleSchema })).max(20),
});
export type Person = z.infer<typeof personSchema>;
