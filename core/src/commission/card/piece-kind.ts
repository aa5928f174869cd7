/** Sums of decimal millimetres carry binary dust; no knife sees it. */
export const DUST_MM = 1e-6;

/** A kind of piece as the cutters see it: with the gap to its neighbour, in the ways it may lie. */
export interface PieceKind {
  readonly ways: readonly { readonly width: number; readonly height: number; readonly turned: boolean }[];
  readonly count: number;
  /** Of one piece, without the gap, mm². */
  readonly area: number;
}

/** Sheets as the cutters see them: what may be used, with a gap beyond the last piece. */
export interface CutSheet {
  readonly width: number;
  readonly height: number;
  readonly sheets: number;
}

/** How many pieces there are in all. */
export const pieceCount = (kinds: readonly PieceKind[]): number =>
  kinds.reduce((sum, { count }) => sum + count, 0);
