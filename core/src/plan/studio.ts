import * as z from 'zod';
import { climateSchema } from '../climate';
import { eveningsSchema } from '../occasion';
import { rulesSchema } from './plan';

/** What belongs to the table rather than to one card. */
export const studioSchema = z.strictObject({
  format: z.literal('kettle-studio'),
  version: z.literal(2),
  name: z.string().max(80),
  painter: z.string().max(80),
  lengthUnit: z.enum(['mm', 'in']),
  climate: climateSchema,
  paper: z.string(),
  rules: rulesSchema,
  /** When the painter has time to paint. */
  evenings: eveningsSchema,
});
export type Studio = z.infer<typeof studioSchema>;

/** A studio nobody has set up yet. */
export const NEW_STUDIO: Studio = {
  format: 'kettle-studio',
  version: 2,
  name: 'My table',
  painter: '',
  lengthUnit: 'mm',
  climate: { tempC: 20, rh: 0.5, airMs: 0 },
  paper: 'cotton-cold-300',
  rules: { bleedGapMm: 1.5, letColoursRun: false },
  evenings: [],
};
