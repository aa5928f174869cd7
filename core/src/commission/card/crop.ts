import * as z from 'zod';
import { bounds, type Point, type Ring } from '../../kit/geometry';
import { id, positionMm, sizeMm } from '../../kit/units';
import { envelopeSchema } from './envelope';
import { DUST_MM } from './piece-kind';
import { isMounted } from './pieces';
import { cardFormatSchema, cardSizes, type CardFormat, type Size } from './size';

/** A frame laid over a finished painting: the opening of a card for an envelope, slid and turned. mm from the painting’s corner. */
export const frameSchema = z.strictObject({
  id,
  envelope: envelopeSchema,
  stands: cardFormatSchema.shape.stands.unwrap(),
  /** Its middle. */
  xMm: positionMm,
  yMm: positionMm,
  /** Clockwise. */
  turnDeg: z.number().min(-180).max(180),
});
export type CropFrame = z.infer<typeof frameSchema>;

/** A painting that is larger than its card, and the frames that are tried over it; one of them is chosen last. */
export const cropSchema = z.strictObject({
  painting: z.strictObject({ widthMm: sizeMm, heightMm: sizeMm }),
  frames: z.array(frameSchema).max(8),
  chosen: id.nullable(),
});
export type Crop = z.infer<typeof cropSchema>;

/**
 * What of the base shows at least round a painting that is cropped last, mm: cut to size and laid flush with the edge
 * of a folded card, the two never agree. Ours.
 */
const LEAST_SHOWN_MM = 3;

/** A card whose painting is cut out of a larger one: nothing is taped on it, and a folded one has it as a panel of its own. */
export function croppedFormat(format: CardFormat): CardFormat {
  const flush = format.fold !== 'flat' && !isMounted(format);
  return { ...format, border: 'bare', card: null, ...(flush ? { panelRevealMm: LEAST_SHOWN_MM } : {}) };
}

/** The card of a frame. */
export const formatOfFrame = (format: CardFormat, { envelope, stands }: CropFrame): CardFormat =>
  croppedFormat({ ...format, envelope, stands });

/** What a frame shows of the painting, mm. `panelMm` is the thickness of the painted sheet. */
export const openingOf = (format: CardFormat, frame: CropFrame, panelMm: number): Size =>
  cardSizes(formatOfFrame(format, frame), panelMm).panel;

/** The corners of a frame’s opening on the painting, from its own top left round by the right, mm. */
export function cornersOf(
  { widthMm, heightMm }: Size,
  frame: Omit<CropFrame, 'envelope' | 'stands' | 'id'>,
): Ring {
  const [sin, cos] = [Math.sin(radians(frame.turnDeg)), Math.cos(radians(frame.turnDeg))];
  return [
    [-1, -1],
    [1, -1],
    [1, 1],
    [-1, 1],
  ].map(([right, down]): Point => {
    const [x, y] = [(right * widthMm) / 2, (down * heightMm) / 2];
    return [frame.xMm + x * cos - y * sin, frame.yMm + x * sin + y * cos];
  });
}

/** The place nearest to a frame’s at which it lies wholly on the painting, turned as it is; `null` where it is too large for that. */
export function heldOnPainting(painting: Size, opening: Size, frame: CropFrame): CropFrame | null {
  const [, , width, height] = bounds([cornersOf(opening, frame)]);
  if (width > painting.widthMm + DUST_MM || height > painting.heightMm + DUST_MM) return null;
  return {
    ...frame,
    xMm: between(frame.xMm, width / 2, painting.widthMm - width / 2),
    yMm: between(frame.yMm, height / 2, painting.heightMm - height / 2),
  };
}

const between = (value: number, least: number, most: number): number =>
  Math.max(least, Math.min(most, value));

const radians = (deg: number): number => (deg * Math.PI) / 180;
