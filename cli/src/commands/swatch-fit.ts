import * as z from 'zod';
import { hexSchema, labOfHex, labSchema } from '@kettle/core/kit/colour';
import { paperById } from '@kettle/core/materials/paper';
import { calibrate, pigmentByCode } from '@kettle/core/materials/pigment';
import { BadInput } from '@kettle/core/kit/units';
import { jsonCommand } from '../command';

const inputSchema = z.strictObject({
  like: z.string(),
  paper: z.string(),
  swatches: z
    .array(
      z.strictObject({
        strength: z.number().positive().max(1).nullable().default(null),
        lab: labSchema.optional(),
        hex: hexSchema.optional(),
        ground: z.enum(['paper', 'black']).default('paper'),
        with: z.string().optional(),
      }),
    )
    .min(2)
    .max(12),
});

export const swatchFit = jsonCommand({
  name: 'swatch-fit',
  says: 'painted swatches → the pigment’s spectra',
  reads: inputSchema,
  note: 'with: a code mixed in 1:1; a strength left out is fitted, with three swatches or more',
  answers: 'pigment{…} residuals[ΔE00…] worst strengths[…]',
  run: ({ like, paper, swatches }) => {
    return calibrate(
      pigmentByCode(like, 'like'),
      paperById(paper),
      swatches.map(({ strength, lab, hex, ground, with: other }, i) => {
        if ((lab === undefined) === (hex === undefined))
          throw new BadInput(`swatches[${i}]`, 'needs its colour once, as lab or as hex');
        return {
          strength,
          ground,
          lab: lab ?? labOfHex(hex!),
          fromScreen: hex !== undefined,
          ...(other === undefined ? {} : { with: pigmentByCode(other, `swatches[${i}].with`) }),
        };
      }),
    );
  },
});
