import * as z from 'zod';
import { id, positionMm, seed, sizeMm } from '../../kit/units';

const place = z.tuple([positionMm, positionMm]);

/** Help for the drawing hand: it is drawn on the board and nowhere else. All in mm on the panel. */
export const guideSchema = z.discriminatedUnion('kind', [
  z.strictObject({ id, kind: z.literal('middle') }),
  z.strictObject({ id, kind: z.literal('thirds') }),
  z.strictObject({ id, kind: z.literal('margins'), wideMm: sizeMm }),
  z.strictObject({ id, kind: z.literal('straight'), from: place, to: place }),
  z.strictObject({ id, kind: z.literal('circle'), centre: place, radiusMm: sizeMm }),
  /** A horizon drawn by hand: it wavers by so much about its height. */
  z.strictObject({
    ...{ id, kind: z.literal('horizon'), yMm: positionMm },
    waverMm: z.number().min(0).max(20),
    seed: seed.min(0),
  }),
  /** The level rims of a round thing, seen by one eye. */
  z.strictObject({
    ...{ id, kind: z.literal('vessel'), axisXMm: positionMm, eyeYMm: positionMm, awayMm: sizeMm },
    rims: z
      .array(z.strictObject({ yMm: positionMm, radiusMm: sizeMm }))
      .min(1)
      .max(12),
  }),
  /** Marks at even steps from one place to another, the ends among them. */
  z.strictObject({ id, kind: z.literal('even'), from: place, to: place, marks: z.int().min(2).max(60) }),
  /**
   * One thing after another going away towards a place on the horizon: the first stands on its foot and is so high, each
   * of the others stands further off by the same share of the first one’s distance.
   */
  z.strictObject({
    ...{ id, kind: z.literal('receding'), foot: place, highMm: sizeMm, towards: place },
    every: z.number().min(0.05).max(5),
    count: z.int().min(2).max(40),
  }),
  z.strictObject({ id, kind: z.literal('grid'), acrossMm: sizeMm, downMm: sizeMm }),
]);
export type Guide = z.infer<typeof guideSchema>;
export type GuideKind = Guide['kind'];
