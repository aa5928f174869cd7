import * as z from 'zod';
import { polygonSchema } from '../geometry';
import { id } from '../units';

/** A freehand pencil line: x and y in mm on the panel, pressure 0…1. */
export const pencilLineSchema = z.strictObject({
  id,
  points: z.array(z.tuple([z.number(), z.number(), z.number().min(0).max(1)])).min(1),
});
export type PencilLine = z.infer<typeof pencilLineSchema>;
export type PencilPoint = PencilLine['points'][number];

/** A named closed region of the panel. Later areas are painted over earlier ones. */
export const areaSchema = z.strictObject({
  id,
  name: z.string().min(1).max(60),
  outline: polygonSchema,
});
export type Area = z.infer<typeof areaSchema>;
