import * as z from 'zod';
import { sheetStockSchema } from '../card';
import { climateSchema } from '../climate';
import { eveningsSchema, ownOccasionSchema, personSchema } from '../occasion';
import { motifSchema } from '../sketch';
import { sizeMm } from '../units';
import { rulesSchema } from './plan';

/** What belongs to the table rather than to one card. */
export const studioSchema = z.strictObject({
  format: z.literal('kettle-studio'),
  version: z.literal(4),
  name: z.string().max(80),
  painter: z.string().max(80),
  lengthUnit: z.enum(['mm', 'in']),
  climate: climateSchema,
  paper: z.string(),
  rules: rulesSchema,
  /** When the painter has time to paint. */
  evenings: eveningsSchema,
  people: z.array(personSchema).max(2000),
  /** Occasions of the house, besides those of the year. */
  occasions: z.array(ownOccasionSchema).max(200),
  /** Sheets and offcuts in the cupboard. */
  sheets: z.array(sheetStockSchema).max(500),
  /** Drawings kept to be laid on other cards. */
  motifs: z.array(motifSchema).max(300),
  /** What boards there are to tape on, by the size of one. */
  board: z.strictObject({ widthMm: sizeMm, heightMm: sizeMm }),
  /** The most a letter may weigh and be thick; every post has its own. */
  letter: z.strictObject({
    weightG: z.number().positive().max(10_000),
    thicknessMm: z.number().positive().max(200),
  }),
});
export type Studio = z.infer<typeof studioSchema>;

/** The choices of a house that has not made its own. */
export const HOUSE_RULES: Studio['rules'] = {
  ...{ bleedGapMm: 1.5, letColoursRun: false },
  ...{ whites: 'mask', removal: 'finger' },
};

/** A studio nobody has set up yet. */
export const NEW_STUDIO: Studio = {
  format: 'kettle-studio',
  version: 4,
  name: 'My table',
  painter: '',
  lengthUnit: 'mm',
  climate: { tempC: 20, rh: 0.5, airMs: 0 },
  paper: 'cotton-cold-300',
  rules: HOUSE_RULES,
  evenings: [],
  people: [],
  occasions: [],
  sheets: [],
  motifs: [],
  board: { widthMm: 420, heightMm: 320 },
  letter: { weightG: 100, thicknessMm: 5 },
};
