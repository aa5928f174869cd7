import * as z from 'zod';
import { hexOf, labOf, lightSchema } from '@kettle/core/kit/colour';
import { paperById } from '@kettle/core/materials/paper';
import { glazeReflectance, pigmentByCode, REFERENCE_FILM_UM } from '@kettle/core/materials/pigment';
import { jsonCommand } from '../command';

const inputSchema = z.strictObject({
  paper: z.string(),
  layers: z
    .array(
      z.strictObject({
        parts: z
          .array(z.strictObject({ pigment: z.string(), parts: z.int().positive().max(1000) }))
          .min(1)
          .max(6),
        strength: z.number().positive().max(1),
        filmUm: z.number().positive().max(5000).default(REFERENCE_FILM_UM),
      }),
    )
    .max(24),
  wet: z.number().min(0, 'wet is a fraction 0…1').max(1, 'wet is a fraction 0…1').default(0),
  light: lightSchema.default('D65'),
});

export const glaze = jsonCommand({
  name: 'glaze',
  says: 'layers of paint on paper → colour',
  reads: inputSchema,
  note: 'layers from the bottom up, wet of the top one; hex and lab as seen by an eye used to the light',
  answers: 'hex lab reflectance[36]',
  run: ({ paper, layers, wet, light }) => {
    const mixes = layers.map((layer, i) => ({
      ...layer,
      parts: layer.parts.map(({ pigment, parts }, j) => ({
        pigment: pigmentByCode(pigment, `layers[${i}].parts[${j}].pigment`),
        parts,
      })),
    }));
    const reflectance = glazeReflectance(paperById(paper), mixes, { wetness: wet });
    const lab = labOf(reflectance, light);
    return { hex: hexOf(lab), lab, reflectance: [...reflectance] };
  },
});
