import * as z from 'zod';
import { id } from '../units';

/** How some of the copies are painted otherwise: a pass in another mix, or not at all. */
export const variantSchema = z.strictObject({
  id,
  name: z.string().min(1).max(60),
  copies: z.int().min(1).max(500),
  changes: z
    .array(
      z.discriminatedUnion('do', [
        z.strictObject({ do: z.literal('leave-out'), pass: id }),
        z.strictObject({ do: z.literal('lay-in'), pass: id, mix: id }),
      ]),
    )
    .max(60),
});
export type Variant = z.infer<typeof variantSchema>;
