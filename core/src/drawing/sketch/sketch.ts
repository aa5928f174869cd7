import * as z from 'zod';
import { polygonSchema } from '../../kit/geometry';
import { FORMS } from '../lamp';
import { id, positionMm } from '../../kit/units';

/**
 * What a line is drawn with; soluble ink and a stamped guide run when they are wetted, pencil can be rubbed out. A fold is
 * no drawing: it is straight, encloses nothing, and is scored from the back.
 */
export const LINE_KINDS = ['pencil', 'waterproof-ink', 'soluble-ink', 'stamped', 'fold'] as const;
export type LineKind = (typeof LINE_KINDS)[number];

/** A freehand pencil line: x and y in mm on the panel, pressure 0…1. */
export const pencilLineSchema = z.strictObject({
  id,
  kind: z.enum(LINE_KINDS),
  // Read only: what is frozen need not be looked through again with every change to the card.
  points: z
    .array(z.tuple([positionMm, positionMm, z.number().min(0).max(1)]).readonly())
    .min(1)
    .max(20_000)
    .readonly(),
});
export type PencilLine = z.infer<typeof pencilLineSchema>;
export type PencilPoint = PencilLine['points'][number];

/** A named closed region of the panel. Later areas are painted over earlier ones. */
export const areaSchema = z.strictObject({
  id,
  name: z.string().min(1).max(60),
  outline: polygonSchema,
  /** The lines that enclose it: it follows them when they are moved or turned. */
  lines: z.array(id).max(20_000).optional(),
  /** What body it is the picture of, for the lamp. */
  form: z.enum(FORMS).optional(),
  /** It is cut out of the card, and what lies behind is seen through it. */
  opening: z.boolean().optional(),
  /** The area whose cast shadow it is. */
  shadowOf: id.optional(),
});
export type Area = z.infer<typeof areaSchema>;
