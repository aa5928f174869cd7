import * as z from 'zod';
import { MM_PER_INCH, sizeMm } from '../../kit/units';

/** A sheet as it is bought, or an offcut kept: what pieces are cut from. */
export const sheetStockSchema = z.strictObject({
  name: z.string().min(1).max(60),
  widthMm: sizeMm,
  heightMm: sizeMm,
  /** Along which edge its fibres run, if known. */
  grain: z.enum(['width', 'height']).nullable(),
  /** Of one sheet, in the painter's money; `null` = not said. */
  price: z.number().min(0).max(1e6).nullable(),
});
export type SheetStock = z.infer<typeof sheetStockSchema>;

/** A sheet for bases, mats or liners, with what the painting paper's own data say for itself. */
export const cardStockSchema = sheetStockSchema.extend({
  weightGm2: z.number().positive().max(2000),
  thicknessMm: z.number().positive().max(5),
});
export type CardStock = z.infer<typeof cardStockSchema>;

/** What the pieces of a card are cut from. */
export const sheetsSchema = z.strictObject({
  painting: sheetStockSchema,
  base: cardStockSchema,
  liner: cardStockSchema,
});
export type Sheets = z.infer<typeof sheetsSchema>;

const sheet = (name: string, widthMm: number, heightMm: number, grain: SheetStock['grain']): SheetStock => ({
  ...{ name, widthMm, heightMm, grain, price: null },
});

/** Sheets, pads and blocks as they are commonly sold; whole sheets have their grain along the longer edge. */
export const SHEETS: readonly SheetStock[] = [
  sheet('whole sheet', 760, 560, 'width'),
  sheet('half sheet', 560, 380, 'height'),
  sheet('quarter sheet', 380, 280, 'width'),
  sheet('A3', 420, 297, 'width'),
  sheet('A4', 297, 210, 'width'),
  sheet('card, 64 × 45 cm', 640, 450, 'height'),
  sheet('A5 pad', 210, 148, null),
  sheet('block, 31 × 23 cm', 310, 230, null),
  sheet('block, 24 × 18 cm', 240, 180, null),
  sheet('letter sheet', 11 * MM_PER_INCH, 8.5 * MM_PER_INCH, 'width'),
  sheet('pad, 12 × 9 in', 12 * MM_PER_INCH, 9 * MM_PER_INCH, null),
];

/** A sheet of the list by its name. */
export function sheetNamed(name: string): SheetStock {
  return SHEETS.find((known) => known.name === name)!;
}

/** What a new card is cut from, until the painter says otherwise. */
export const USUAL_SHEETS: Sheets = {
  painting: sheetNamed('half sheet'),
  base: { ...sheetNamed('card, 64 × 45 cm'), weightGm2: 250, thicknessMm: 0.3 },
  liner: { ...sheetNamed('card, 64 × 45 cm'), weightGm2: 100, thicknessMm: 0.12 },
};
