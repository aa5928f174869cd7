import * as z from 'zod';
import { climateSchema } from '../../materials/climate';
import { MAX_ON_PANEL } from '../../materials/pigment';
import { code, id, seed } from '../../kit/units';
import { panelActSchema, STAGES } from '../../simulation/water';

/** An act of the hand on a sheet, in the paper's time, and what it met there. */
export const handActSchema = z.strictObject({
  act: panelActSchema,
  /** How wet the paper was where it came. */
  onto: z.enum(STAGES),
  /** Water it brought, less what it took up, ml. */
  waterMl: z.number().min(-1000).max(1000),
});
export type HandAct = z.infer<typeof handActSchema>;

/** Acts that a sheet can hold. */
export const MOST_ACTS = 5000;

/** A sheet of simulated paper painted by hand, to see how it goes: everything done on it, in the order of its time. */
export const trialSchema = z.strictObject({
  id,
  name: z.string().min(1).max(60),
  note: z.string().max(2000),
  /** The whole sheet, mm, and how finely it is simulated. */
  widthMm: z.number().min(1).max(600),
  heightMm: z.number().min(1).max(600),
  cellMm: z.number().min(0.2).max(2),
  paper: id,
  climate: climateSchema,
  /** Which sheet of its paper. */
  seed,
  /** Pigments set out for it, by code. */
  pigments: z.array(code).max(MAX_ON_PANEL),
  acts: z.array(handActSchema).max(MOST_ACTS),
});
export type Trial = z.infer<typeof trialSchema>;

/** What names a pigment in an act. */
export const pigmentsIn = ({ act }: HandAct): readonly string[] =>
  ('parts' in act ? act.parts : 'pigments' in act ? act.pigments : []).map(({ pigment }) => pigment);
