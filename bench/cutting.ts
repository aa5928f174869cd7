import { cutRequestSchema, cutSheet } from '@kettle/core/commission/card';
import { medianOf } from './timing';

const SHEET = { widthMm: 760, heightMm: 560 };

/** Milliseconds of a cutting plan for ten different pieces (exact), forty different ones (searched), and as many cards as go. */
export function benchCutting(): { tenMs: number; fortyMs: number; oneSizeMs: number } {
  const pieces = (count: number): object[] =>
    Array.from({ length: count }, (_, i) => ({
      name: `piece ${i}`,
      widthMm: 60 + ((i * 37) % 90),
      heightMm: 50 + ((i * 53) % 80),
      count: 1,
    }));
  const msOf = (list: object[]): number =>
    medianOf(5, () => cutSheet(cutRequestSchema.parse({ sheet: SHEET, pieces: list, gapMm: 1 })));
  return {
    tenMs: msOf(pieces(10)),
    fortyMs: msOf(pieces(40)),
    oneSizeMs: msOf([{ name: 'card', widthMm: 108, heightMm: 78, asMany: true }]),
  };
}
