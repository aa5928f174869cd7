import * as z from 'zod';
import { sheetStockSchema } from '../../commission/card';
import { climateSchema } from '../../materials/climate';
import { moodSchema } from '../../materials/dish';
import { eveningsSchema, ownOccasionSchema, personSchema } from '../../commission/occasion';
import { pigmentSchema } from '../../materials/pigment';
import { motifSchema } from '../../drawing/sketch';
import { code, sizeMm } from '../../kit/units';
import { rulesSchema } from './plan';

/** The wells paint is mixed in, and what of it never reaches the paper. */
export const dishSchema = z.strictObject({
  wells: z.int().min(1).max(60),
  wellMl: z.number().positive().max(200),
  /** What stays in a well when it is empty, ml. */
  leftMl: z.number().min(0).max(20),
  /** Share of what a brush takes up that is rinsed into the jar. */
  rinsed: z.number().min(0).max(0.9),
});

/** What belongs to the table rather than to one card. */
export const studioSchema = z.strictObject({
  format: z.literal('kettle-studio'),
  version: z.literal(6),
  name: z.string().max(80),
  painter: z.string().max(80),
  lengthUnit: z.enum(['mm', 'in']),
  climate: climateSchema,
  paper: code,
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
  /** The pigments in the paint box, with what the painter calls them and where they lie. */
  box: z
    .array(z.strictObject({ code: z.string(), label: z.string().max(60), place: z.string().max(20) }))
    .max(200),
  /** Pigments whose spectra the painter has measured. */
  ownPigments: z.array(pigmentSchema).max(200),
  dish: dishSchema,
  /** What the painter takes a word of mood or occasion to mean. */
  moods: z.array(moodSchema).max(100),
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
  ...{ backruns: 'avoided', weights: {} },
};

/** A studio nobody has set up yet. */
export const NEW_STUDIO: Studio = {
  format: 'kettle-studio',
  version: 6,
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
  box: [],
  ownPigments: [],
  dish: { wells: 12, wellMl: 4, leftMl: 0.15, rinsed: 0.1 },
  moods: [],
  board: { widthMm: 420, heightMm: 320 },
  letter: { weightG: 100, thicknessMm: 5 },
};
