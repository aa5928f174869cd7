import { cardsBegun } from '@kettle/core/commission/occasion';
import { boardsFor, tapeRound, weighCard, type Size } from '@kettle/core/commission/card';
import { formatOf, paintedOf, planPaper, sizesOf, type Plan, type Studio } from '@kettle/core/document/plan';
import type { CutJob } from '../../state/cutting.service';
import type { Cutting } from '../../workers/table-api';

type Length = (mm: number) => string;

/** A sheet with its pieces, cuts and offcuts, mm. */
export interface SheetDrawing {
  readonly sheet: number;
  readonly viewBox: string;
  readonly letterMm: number;
  readonly widthMm: number;
  readonly heightMm: number;
  readonly pieces: readonly (Placed & { readonly words: readonly string[] })[];
  readonly offcuts: readonly (Placed & { readonly words: readonly string[] })[];
  readonly cuts: readonly {
    readonly order: number;
    readonly x1: number;
    readonly y1: number;
    readonly x2: number;
    readonly y2: number;
  }[];
}

interface Placed {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

const LETTERS_ACROSS = 34;

/** The sheets that are cut, each as a drawing. */
export function sheetDrawings({ request, cutting }: CutJob, length: Length): SheetDrawing[] {
  if (!cutting) return [];
  const { widthMm, heightMm } = request.sheet;
  const letterMm = Math.max(widthMm, heightMm) / LETTERS_ACROSS;
  const sheets = [...new Set(cutting.placed.map(({ sheet }) => sheet))];
  const named = (name: string, size: Size): string[] => [
    name,
    `${length(size.widthMm)} × ${length(size.heightMm)}`,
  ];
  return sheets.map((sheet) => ({
    sheet,
    viewBox: `${-letterMm} ${-letterMm} ${widthMm + 2 * letterMm} ${heightMm + 2 * letterMm}`,
    ...{ letterMm, widthMm, heightMm },
    pieces: cutting.placed
      .filter((piece) => piece.sheet === sheet)
      .map((piece) => ({ ...placed(piece), words: named(piece.name, piece) })),
    offcuts: cutting.offcuts
      .filter((offcut) => offcut.sheet === sheet)
      .map((offcut) => ({ ...placed(offcut), words: named('left over', offcut) })),
    cuts: cutting.cuts
      .filter((cut) => cut.sheet === sheet)
      .map(({ order, from, atMm, acrossMm: [low, high] }) =>
        from === 'left'
          ? { order, x1: atMm, y1: low, x2: atMm, y2: high }
          : { order, x1: low, y1: atMm, x2: high, y2: atMm },
      ),
  }));
}

const placed = (at: Size & { readonly xMm: number; readonly yMm: number }): Placed => ({
  ...{ x: at.xMm, y: at.yMm, width: at.widthMm, height: at.heightMm },
});

/** The order of cuts, each a number from one named edge of its sheet. */
export function cutSteps({ cuts, placed }: Cutting, length: Length): string[] {
  const several = Math.max(0, ...placed.map(({ sheet }) => sheet)) > 1;
  return cuts.map(({ order, sheet, from, atMm, acrossMm: [low, high] }) => {
    const other = from === 'left' ? 'top' : 'left';
    return `${order}. ${several ? `Sheet ${sheet}: ` : ''}${length(atMm)} from the ${from} edge, from ${length(low)} to ${length(high)} from the ${other}.`;
  });
}

/** What cutting comes to. */
export function cuttingAnswer(
  { request, sheet, cutting, fault }: CutJob,
  plans: readonly Plan[],
): { readonly answer: string; readonly stop: boolean } {
  if (fault !== '') return { answer: `It cannot be cut: ${fault}.`, stop: true };
  if (!cutting) return { answer: 'Working out the cuts…', stop: false };
  const tooLarge = cutting.unplaced.map(({ name, count }) => `${count} × ${name}`);
  if (tooLarge.length > 0)
    return {
      answer: `${tooLarge.join(', ')} ${request.sheet.grain ? 'cannot be had, grain along the fold' : 'cannot be had'}, out of a sheet of this size: take a larger one.`,
      stop: true,
    };
  const sheets = Math.max(0, ...cutting.placed.map((piece) => piece.sheet));
  const begun = plans.reduce((sum, { brief }) => sum + cardsBegun(brief), 0);
  const cost = sheet.price === null ? '' : ` ${((sheets * sheet.price) / begun).toFixed(2)} a card.`;
  return {
    answer: `${sheets} × ${sheet.name}, ${cutting.cuts.length} cuts, ${cutting.wastePct.toFixed(0)} % left over.${cost}`,
    stop: false,
  };
}

/** Tape and boards for one card, in words; nothing for an edge that is not taped. */
export function tapeAnswer(plan: Plan, { board }: Studio, length: Length): string {
  if (plan.card.border !== 'taped') return '';
  const { paint } = paintedOf(plan);
  const begun = cardsBegun(plan.brief);
  const boards = boardsFor(begun, paint, board, plan.card.tapeMm);
  return `Tape: ${metres(begun * tapeRound(paint))} for ${begun === 1 ? 'one sheet' : `${begun} sheets`}. To tape them all at once: ${boards} ${boards === 1 ? 'board' : 'boards'} of ${length(board.widthMm)} × ${length(board.heightMm)}.`;
}

const metres = (mm: number): string => `${(mm / 1000).toFixed(1)} m`;

/** How heavy and thick the card is in its envelope, against what a letter may be. */
export function postAnswer(
  plan: Plan,
  { letter }: Studio,
): { readonly answer: string; readonly stop: boolean } {
  const { weightG, thicknessMm, over } = weighCard(
    formatOf(plan),
    sizesOf(plan),
    planPaper(plan),
    plan.sheets,
    letter,
  );
  const is = `${weightG.toFixed(0)} g and ${thicknessMm.toFixed(1)} mm thick in its envelope`;
  return over
    ? {
        answer: `${is}: ${over} for a letter of ${letter.weightG} g and ${letter.thicknessMm} mm.`,
        stop: true,
      }
    : { answer: `${is}: goes as a letter.`, stop: false };
}
