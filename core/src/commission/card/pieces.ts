import * as z from 'zod';
import { lengthMm } from '../../kit/units';

/** A whole sheet that lies under the panel and shows round it, on the base or on a larger mat. mm. */
export const matSchema = z.strictObject({
  thicknessMm: z.number().positive().max(5),
  /** What of it shows round what lies on it. */
  showsMm: lengthMm,
});
export type Mat = z.infer<typeof matSchema>;

/** What a card is made of besides its base, from the base up. Thicknesses in mm. */
export const piecesShape = {
  /** Base showing round what is mounted on it; 0 = the card itself is painted, or mats go to its edge. */
  panelRevealMm: lengthMm.default(0),
  /** The largest, lowest mat first. */
  mats: z.array(matSchema).max(3).default([]),
  /** Foam, tape or glue under a mounted panel. */
  foamMm: z.number().min(0).max(20).default(0),
  /** One layer of the liner that is folded into the card; 0 = none. */
  linerMm: z.number().min(0).max(2).default(0),
  /** Whatever else makes it thicker: stones, ribbon, thread. */
  bulkMm: lengthMm.default(0),
};
type Pieces = z.infer<z.ZodObject<typeof piecesShape>>;

/** Whether the painting is a sheet of its own that is fixed onto the base or a mat. */
export const isMounted = ({ panelRevealMm, mats }: Pick<Pieces, 'panelRevealMm' | 'mats'>): boolean =>
  panelRevealMm > 0 || mats.length > 0;

/** Layers of its sheet that a closed card has. */
export const layersOf = (fold: 'side' | 'top' | 'flat'): number => (fold === 'flat' ? 1 : 2);

/** Thickness that lies in the fold, mm: the liner. */
export const insideMm = (pieces: Pieces, fold: 'side' | 'top' | 'flat'): number =>
  layersOf(fold) * pieces.linerMm;

/**
 * How much thicker a card is than its plain base, mm, which an envelope has to go round: a mounted panel of `panelMm`,
 * foam, mats, liner and decorations. The air round a card allows for the base itself.
 */
export function bulkOf(pieces: Pieces, fold: 'side' | 'top' | 'flat', panelMm: number): number {
  const mats = pieces.mats.reduce((sum, { thicknessMm }) => sum + thicknessMm, 0);
  const panel = isMounted(pieces) ? panelMm + pieces.foamMm : 0;
  return pieces.bulkMm + mats + panel + insideMm(pieces, fold);
}
