import { cuttingList, SHEETS, type Material, type Size } from '../../commission/card';
import { formatOf, MATERIALS, planPaper, stillToCrop, type Plan, smallPlan } from '../../document/plan';
import type { Check } from './check';

/** A sheet, and the way its grain runs; `null` where nobody knows. */
interface Grained extends Size {
  readonly grain: 'width' | 'height' | null;
}

/**
 * A piece that folds goes onto its sheet only with the fold across the grain, where it cracks.
 */
export const acrossGrain: Check = {
  id: 'across-grain',
  name: 'Fold across the grain',
  station: 'passes',
  severity: 'look',
  when: 'a piece that folds goes onto its sheet only across the grain',
  source: 'what grain does',
  find: ({ plan }) =>
    stillToCrop(plan)
      ? []
      : MATERIALS.flatMap((material) =>
          cuttingList(formatOf(plan), 1, planPaper(plan).thicknessMm)[material].flatMap((piece) => {
            const sheet = plan.sheets[material];
            if (piece.grain === 'any' || sheet.grain === null) return [];
            if (fits(piece, piece.grain, sheet) || !fits(piece, across(piece.grain), sheet)) return [];
            return [
              {
                where: {},
                number: {
                  value: Math.round(Math.max(piece.widthMm, piece.heightMm)),
                  unit: 'mm',
                  limit: Math.round(Math.max(...sidesAlong(piece.grain, sheet))),
                },
                why: `the ${piece.name} goes onto a ${sheet.name} only with its fold across the grain, where it cracks.`,
                ...larger(plan, material, piece, piece.grain),
              },
            ];
          }),
        ),
  edges: () => [{ wrong: cutFrom('width'), right: cutFrom('height') }],
};

/** A folded card from a sheet as long as it is, its grain one way or the other. */
const cutFrom = (grain: Grain): Plan =>
  smallPlan({
    do: 'set-sheets',
    change: { painting: { name: 'short sheet', widthMm: 340, heightMm: 240, grain, price: null } },
  });

type Grain = 'width' | 'height';

const across = (grain: Grain): Grain => (grain === 'width' ? 'height' : 'width');

/** What a piece may be wide and high when its grain lies along the sheet's, mm. */
const sidesAlong = (grain: Grain, { widthMm, heightMm, grain: of }: Grained): [number, number] =>
  grain === of ? [widthMm, heightMm] : [heightMm, widthMm];

function fits(piece: Size, grain: Grain, sheet: Grained): boolean {
  const [widthMm, heightMm] = sidesAlong(grain, sheet);
  return piece.widthMm <= widthMm && piece.heightMm <= heightMm;
}

/** The first sheet of those commonly sold on which it folds along the grain. */
function larger(plan: Plan, material: Material, piece: Size, grain: Grain) {
  const sheet = SHEETS.find((known) => known.grain !== null && fits(piece, grain, known));
  return sheet
    ? {
        fix: {
          says: `Cut it from a ${sheet.name}`,
          commands: [
            {
              do: 'set-sheets' as const,
              change: { [material]: { ...plan.sheets[material], ...sheet } } as Partial<Plan['sheets']>,
            },
          ],
        },
      }
    : {};
}
