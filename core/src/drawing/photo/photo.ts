import * as z from 'zod';
import { pointSchema } from '../../kit/geometry';
import { id, sizeMm } from '../../kit/units';

/** A picture of 8-bit sRGB with alpha, `[(row · width + column) · 4 + channel]`, as screens and files have it. */
export interface Photo {
  readonly width: number;
  readonly height: number;
  readonly rgba: Uint8ClampedArray;
}

/** A place in a picture as shares of its width and height, from its upper left. */
const share = z.tuple([z.number().min(0).max(1), z.number().min(0).max(1)]);

/** Four corners of what is a rectangle in truth, clockwise from its upper left, in shares of the picture. */
export const cornersSchema = z.tuple([share, share, share, share]);
export type Corners = z.infer<typeof cornersSchema>;

/** A picture that lies on the panel: to be traced and seen through faintly, or the real panel as the ground of what follows. */
export const pictureSchema = z.strictObject({
  id,
  name: z.string().min(1).max(80),
  /** Its file among the card’s attachments. */
  file: z.string().regex(/^[a-z0-9][a-z0-9.-]{0,79}$/i, 'is no name of an attachment'),
  use: z.enum(['traced', 'ground']),
  /** What of it is set straight; `null` for all of it as it is. */
  corners: cornersSchema.nullable(),
  /** Its upper left on the panel, mm. */
  at: pointSchema,
  widthMm: sizeMm,
  heightMm: sizeMm,
  /** How far it is faded, 0…1: 0 as it is, 1 gone. */
  faded: z.number().min(0).max(1),
  /** Places in it where the paper is bare, by which its light is corrected; in shares of what is set straight. */
  bare: z.array(share).max(24),
});
export type Picture = z.infer<typeof pictureSchema>;
