import * as z from 'zod';
import { hexSchema, labOfHex, labSchema, type Lab } from '@kettle/core/kit/colour';
import { pigmentByCode, type MixPart, type Pigment } from '@kettle/core/materials/pigment';
import { BadInput } from '@kettle/core/kit/units';

/** A wanted colour: `"#rrggbb"` or `{"lab":[L,a,b]}`. */
export const targetSchema = z.union([hexSchema, z.strictObject({ lab: labSchema })]);

export const labOfTarget = (target: z.infer<typeof targetSchema>): Lab =>
  typeof target === 'string' ? labOfHex(target) : target.lab;

/** Pigments by their codes, each once; throws `BadInput` on `field`. */
export function pigmentsByCode(codes: readonly string[], field: string): Pigment[] {
  const pigments = codes.map((code, i) => pigmentByCode(code, `${field}[${i}]`));
  if (new Set(codes).size < codes.length) throw new BadInput(field, 'names a pigment twice');
  return pigments;
}

/** Parts as they are printed: pigments by their codes. */
export const plainParts = (parts: readonly MixPart[]) =>
  parts.map(({ pigment, parts: n }) => ({ pigment: pigment.code, parts: n }));
