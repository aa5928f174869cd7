import * as z from 'zod';

/** A colour as L*a*b*, D65. */
export const labSchema = z
  .tuple([z.number().min(0).max(100), z.number().min(-150).max(150), z.number().min(-150).max(150)])
  .readonly();

/** A screen colour. */
export const hexSchema = z.string().regex(/^#[0-9a-fA-F]{6}$/, 'write a colour as #rrggbb');
