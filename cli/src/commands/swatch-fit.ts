import * as z from 'zod';
import { hexSchema, labOfHex, labSchema } from '@kettle/core/kit/colour';
import { paperById } from '@kettle/core/materials/paper';
import { calibrate, pigmentByCode } from '@kettle/core/materials/pigment';
import { BadInput, readInput } from '@kettle/core/kit/units';
import type { CliCommand } from '../command';

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

export const swatchFit: CliCommand = {
  name: 'swatch-fit',
  says: 'painted swatches → the pigment’s spectra',
  shape: {
    in: 'like code, paper, swatches[{strength, lab:[L,a,b]|hex:"#rrggbb", ground?="paper"|"black", with?=code mixed in 1:1}] 2–12; a strength left out is fitted, with three swatches or more',
    out: 'pigment{…} residuals[ΔE00…] worst strengths[…]',
  },
  input: 'json',
  run: (input) => {
    const { like, paper, swatches } = readInput(inputSchema, input);
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
};
