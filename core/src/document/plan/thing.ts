import * as z from 'zod';
import { id } from '../../kit/units';
import { MOST_IN_A_LIST } from './limits';

/**
 * Areas, lines and freehand masks that belong together: a word, a flock, berries, lamps on a string. A thing is one row, one
 * strand, one clock and one finding, until a part of it is singled out.
 */
export const thingSchema = z.strictObject({
  id,
  name: z.string().min(1).max(60),
  members: z.array(id).min(2).max(MOST_IN_A_LIST),
});
export type Thing = z.infer<typeof thingSchema>;
