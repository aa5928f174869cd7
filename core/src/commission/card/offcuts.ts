import type { CutPlan, CutRequest } from './cut';
import { DUST_MM } from './piece-kind';

/** A rectangle left over when all pieces are cut out, as it lies on its sheet, mm. */
export interface Offcut {
  readonly sheet: number;
  readonly xMm: number;
  readonly yMm: number;
  readonly widthMm: number;
  readonly heightMm: number;
}

/** A strip narrower than this is for the basket or for trying colours, mm. Ours. */
const LEAST_MM = 50;

/** What is worth keeping of the sheets of a plan: follows the cuts and leaves out the pieces, largest first. */
export function offcutsOf({ sheet }: Pick<CutRequest, 'sheet'>, { placed, cuts }: CutPlan): Offcut[] {
  const sheets = new Set(placed.map((piece) => piece.sheet));
  return [...sheets]
    .flatMap((n) => {
      let parts: Offcut[] = [{ sheet: n, xMm: 0, yMm: 0, ...bare(sheet) }];
      for (const { sheet: on, from, atMm, acrossMm } of cuts) {
        if (on !== n) continue;
        parts = parts.flatMap((part) => {
          const at = atMm - (from === 'left' ? part.xMm : part.yMm);
          const across = from === 'left' ? part.yMm : part.xMm;
          const size = from === 'left' ? part.widthMm : part.heightMm;
          if (Math.abs(across - acrossMm[0]) > DUST_MM || at <= 0 || at >= size) return [part];
          return from === 'left'
            ? [
                { ...part, widthMm: at },
                { ...part, xMm: atMm, widthMm: size - at },
              ]
            : [
                { ...part, heightMm: at },
                { ...part, yMm: atMm, heightMm: size - at },
              ];
        });
      }
      const isPiece = (part: Offcut): boolean =>
        placed.some(
          (piece) =>
            piece.sheet === n &&
            Math.abs(piece.xMm - part.xMm) < NEAR_MM &&
            Math.abs(piece.yMm - part.yMm) < NEAR_MM,
        );
      return parts.filter((part) => Math.min(part.widthMm, part.heightMm) >= LEAST_MM && !isPiece(part));
    })
    .sort((a, b) => b.widthMm * b.heightMm - a.widthMm * a.heightMm);
}

/** Places of a plan are given to a millionth of a millimetre. */
const NEAR_MM = 1e-4;

const bare = ({ widthMm, heightMm }: { widthMm: number; heightMm: number }) => ({ widthMm, heightMm });
