import type { Size } from './size';

/** Tape that is torn longer than the edge it lies on, at both ends together, mm. Ours. */
const TAPE_OVER_MM = 20;

/** Tape that holds one sheet down all round, mm. */
export const tapeRound = ({ widthMm, heightMm }: Size): number => 2 * (widthMm + heightMm) + 4 * TAPE_OVER_MM;

/** How many sheets of one size lie side by side on a board, with `tapeMm` of board between and round them; at least one. */
export function sheetsOnBoard(sheet: Size, board: Size, tapeMm: number): number {
  const along = (length: number, piece: number): number => Math.floor((length - tapeMm) / (piece + tapeMm));
  const lying = along(board.widthMm, sheet.widthMm) * along(board.heightMm, sheet.heightMm);
  const turned = along(board.widthMm, sheet.heightMm) * along(board.heightMm, sheet.widthMm);
  return Math.max(1, lying, turned);
}

/** Boards on which so many sheets can be taped at once. */
export const boardsFor = (count: number, sheet: Size, board: Size, tapeMm: number): number =>
  Math.ceil(count / sheetsOnBoard(sheet, board, tapeMm));
