import * as z from 'zod';
import { MOST_COPIES } from '../../commission/occasion';
import { id } from '../../kit/units';

/** More kinds of one card are another card. */
export const MOST_VARIANTS = 12;

/** How some of the copies are painted otherwise: a pass in another mix, or not at all. */
export const variantSchema = z.strictObject({
  id,
  name: z.string().min(1).max(60),
  copies: z.int().min(1).max(MOST_COPIES),
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

/** How many copies are painted otherwise than planned. */
export const otherwise = (variants: readonly Variant[]): number =>
  variants.reduce((sum, { copies }) => sum + copies, 0);
