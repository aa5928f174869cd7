import * as z from 'zod';
import { BadInput, done, lengthMm, sizeMm, type Work } from '../../kit/units';
import { cutExactly } from './cut-exact';
import { cutBySearch } from './cut-search';
import { cutsOf, laidPieces } from './guillotine';
import { DUST_MM, pieceCount, type CutSheet, type PieceKind } from './piece-kind';

const grain = z.enum(['width', 'height']);

const piece = {
  name: z.string().min(1).max(60),
  widthMm: sizeMm,
  heightMm: sizeMm,
  grain: z.enum(['width', 'height', 'any']).default('any'),
};

/** Sheets, and the pieces to be cut from them with a knife along a ruler, edge to edge. */
export const cutRequestSchema = z.strictObject({
  sheet: z.strictObject({ widthMm: sizeMm, heightMm: sizeMm, grain: grain.optional() }),
  pieces: z
    .array(
      z.union([
        z.strictObject({ ...piece, count: z.int().min(1).max(500) }),
        z.strictObject({ ...piece, asMany: z.literal(true) }),
      ]),
    )
    .min(1)
    .max(60)
    .refine((pieces) => new Set(pieces.map(({ name }) => name)).size === pieces.length, {
      error: 'two pieces have the same name',
    }),
  /** Rim of the sheet that is not used, on all four edges. */
  marginMm: lengthMm.default(0),
  /** Left between pieces. */
  gapMm: lengthMm.default(0),
  sheets: z.int().min(1).max(50).default(1),
});
export type CutRequest = z.infer<typeof cutRequestSchema>;

export interface PlacedPiece {
  readonly name: string;
  readonly sheet: number;
  readonly xMm: number;
  readonly yMm: number;
  /** As it lies on the sheet. */
  readonly widthMm: number;
  readonly heightMm: number;
  readonly turned: boolean;
}

/** One cut, from edge to edge of the part being cut: so far from the sheet's left or top edge. */
export interface Cut {
  readonly order: number;
  readonly sheet: number;
  readonly from: 'left' | 'top';
  readonly atMm: number;
  readonly acrossMm: readonly [number, number];
}

export interface CutPlan {
  readonly placed: readonly PlacedPiece[];
  readonly cuts: readonly Cut[];
  readonly unplaced: readonly { readonly name: string; readonly count: number }[];
  readonly counts: Readonly<Record<string, number>>;
  /** Of the sheets that are used. */
  readonly wastePct: number;
}

/** Nobody cuts more at once, and the search would not end. */
const MOST_PIECES = 5000;

/**
 * A cutting plan: most area placed, then fewest cuts. Exact while the ways to choose among the pieces are few enough
 * to try all (ten pieces, or hundreds of one size); beyond that the best of many tries. Throws
 * `BadInput` for more pieces than anybody cuts at once.
 */
export function* cutting(request: CutRequest): Work<CutPlan> {
  const { sheet, marginMm, gapMm, sheets } = request;
  const usable: CutSheet = {
    width: sheet.widthMm - 2 * marginMm + gapMm,
    height: sheet.heightMm - 2 * marginMm + gapMm,
    sheets,
  };
  const kinds = request.pieces.map((piece) => kindOf(request, piece, usable));
  if (pieceCount(kinds) > MOST_PIECES)
    throw new BadInput(
      'pieces',
      `come to ${pieceCount(kinds)}, more than ${MOST_PIECES}; take larger ones, or fewer sheets`,
    );
  const patterns = (yield* cutExactly(kinds, usable)) ?? (yield* cutBySearch(kinds, usable));
  const laid = patterns.flatMap((pattern, i) =>
    laidPieces(pattern, marginMm, gapMm).map((at) => ({ ...at, sheet: i })),
  );
  const counts = kinds.map((_, kind) => laid.filter((piece) => piece.kind === kind).length);
  const used = patterns.length * sheet.widthMm * sheet.heightMm;
  const area = laid.reduce((sum, { kind }) => sum + kinds[kind].area, 0);
  return {
    placed: laid.map(({ kind, sheet: on, x, y, width, height, turned }) => ({
      name: request.pieces[kind].name,
      sheet: on + 1,
      xMm: x,
      yMm: y,
      widthMm: width,
      heightMm: height,
      turned,
    })),
    cuts: patterns
      .flatMap((pattern, i) =>
        cutsOf(pattern, sheet, marginMm, gapMm).map((cut) => ({ sheet: i + 1, ...cut })),
      )
      .map((cut, i) => ({ order: i + 1, ...cut })),
    unplaced: request.pieces.flatMap((piece, kind) =>
      'count' in piece && counts[kind] < piece.count
        ? [{ name: piece.name, count: piece.count - counts[kind] }]
        : [],
    ),
    counts: Object.fromEntries(request.pieces.map(({ name }, kind) => [name, counts[kind]])),
    wastePct: used === 0 ? 0 : 100 * (1 - area / used),
  };
}

/** The same in one go. */
export const cutSheet = (request: CutRequest): CutPlan => done(cutting(request));

function kindOf(
  { sheet, gapMm }: CutRequest,
  piece: CutRequest['pieces'][number],
  usable: CutSheet,
): PieceKind {
  const [width, height] = [piece.widthMm + gapMm, piece.heightMm + gapMm];
  const along = piece.grain === 'any' || sheet.grain === undefined ? null : piece.grain === sheet.grain;
  const ways = [
    ...(along === false ? [] : [{ width, height, turned: false }]),
    ...(along === true || width === height ? [] : [{ width: height, height: width, turned: true }]),
  ].filter((way) => way.width <= usable.width + DUST_MM && way.height <= usable.height + DUST_MM);
  const fit = Math.floor((usable.width * usable.height * usable.sheets) / (width * height) + DUST_MM);
  const count = ways.length === 0 ? 0 : Math.min(fit, 'count' in piece ? piece.count : fit);
  return { ways, count, area: piece.widthMm * piece.heightMm };
}
