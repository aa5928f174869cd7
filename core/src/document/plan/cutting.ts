import {
  cuttingList,
  sheetsSchema,
  type CutRequest,
  type ListedPiece,
  type Material,
  type SheetStock,
} from '../../commission/card';
import { cardsBegun } from '../../commission/occasion';
import { formatOf, paintedOf, planPaper, stillToCrop } from './lookup';
import type { Plan } from './plan';

/** More sheets than this are not cut at one table in one go. */
const MOST_SHEETS = 50;

/** What all copies and spares of some cards need of a material, as pieces to be cut from one kind of sheet; `null` for nothing. */
export function cuttingRequest(
  plans: readonly Plan[],
  material: Material,
  sheet: SheetStock,
): CutRequest | null {
  const pieces = plans.flatMap((plan, i) =>
    piecesOf(plan, material).map((piece) => ({ ...piece, name: nameOf(plans, i, piece.name) })),
  );
  if (pieces.length === 0) return null;
  const area = pieces.reduce((sum, { widthMm, heightMm, count }) => sum + widthMm * heightMm * count, 0);
  return {
    sheet: {
      widthMm: sheet.widthMm,
      heightMm: sheet.heightMm,
      ...(sheet.grain ? { grain: sheet.grain } : {}),
    },
    pieces,
    marginMm: 0,
    gapMm: 0,
    sheets: Math.min(MOST_SHEETS, 1 + Math.ceil((2 * area) / (sheet.widthMm * sheet.heightMm))),
  };
}

/** The pieces of one card; a painting that is cropped last is cut whole, and what goes under it once it is chosen. */
function piecesOf(plan: Plan, material: Material): ListedPiece[] {
  const count = cardsBegun(plan.brief);
  if (plan.crop && material === 'painting')
    return [{ name: 'painting', ...paintedOf(plan).paint, count, grain: 'any' }];
  if (stillToCrop(plan)) return [];
  return cuttingList(formatOf(plan), count, planPaper(plan).thicknessMm)[material];
}

/** A piece by name; with several cards on the table, by the card’s too. */
function nameOf(plans: readonly Plan[], at: number, piece: string): string {
  if (plans.length === 1) return piece;
  const { title } = plans[at];
  const alike = plans.slice(0, at).filter((other) => other.title === title).length;
  return `${title.slice(0, 40)}${alike > 0 ? ` (${alike + 1})` : ''}, ${piece}`;
}

/** The materials a card is cut from. */
export const MATERIALS = Object.keys(sheetsSchema.shape) as Material[];
