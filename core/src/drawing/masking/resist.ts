import * as z from 'zod';
import { id, positionMm } from '../../kit/units';
import { MASKING_TOOL_IDS } from './tool';

/** A stroke of a masking tool: x and y in mm on the panel, pressure 0…1. */
export const maskStrokeSchema = z.strictObject({
  id,
  points: z
    .array(z.tuple([positionMm, positionMm, z.number().min(0).max(1)]).readonly())
    .min(1)
    .max(10_000)
    .readonly(),
});
export type MaskStroke = z.infer<typeof maskStrokeSchema>;

/** No drop that is spattered or dabbed is wider, mm. */
const LARGEST_DROP_MM = 60;

/** Drops of a spatter: x, y and diameter, mm. */
const dropSchema = z.tuple([positionMm, positionMm, z.number().min(0.01).max(LARGEST_DROP_MM)]).readonly();

/** So many strokes and drops one resist takes. */
export const MOST_MASK_STROKES = 20_000;
export const MOST_MASK_DROPS = 50_000;

/** What is masked freehand with one tool and goes on and comes off as one. */
export const resistSchema = z.strictObject({
  id,
  name: z.string().min(1).max(60),
  tool: z.enum(MASKING_TOOL_IDS),
  strokes: z.array(maskStrokeSchema).max(MOST_MASK_STROKES),
  drops: z.array(dropSchema).max(MOST_MASK_DROPS),
});
export type Resist = z.infer<typeof resistSchema>;

/** Of more strokes a freehand mask is a texture and no line that is to part anything; drops are none either. */
const MOST_STROKES = 200;

export const drawsLines = ({ strokes }: Resist): boolean =>
  strokes.length > 0 && strokes.length <= MOST_STROKES;
