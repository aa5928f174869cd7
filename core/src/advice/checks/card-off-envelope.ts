import { TOO_TIGHT_MM } from '../../commission/card';
import { sizesOf, stillToCrop, smallPlan, type Plan } from '../../document/plan';
import type { Check } from './check';

/** A flat card with its panel mounted is no thicker, mm; it goes in with this room on a side, as the trade cuts its pairs. */
const MOUNTED_MM = 1.5;
const OF_THE_TRADE_MM = 0.75;

/** A card that does not go into its envelope, or of which nothing would be left. */
export const cardOffEnvelope: Check = {
  id: 'card-off-envelope',
  name: 'Does not go into its envelope',
  station: 'paper',
  severity: 'stop',
  when: `a card has less than ${TOO_TIGHT_MM} mm of room on a side`,
  source: 'docs/card.md',
  find: ({ plan }) => {
    if (stillToCrop(plan)) return [];
    const { fits, clearance, warning, instead } = sizesOf(plan);
    if (fits || warning === undefined) return [];
    return [
      {
        where: {},
        ...(isUsualPair(plan) ? { severity: 'look' as const } : {}),
        number: { value: clearance.perSideMm, unit: 'mm', limit: TOO_TIGHT_MM },
        why: `${warning}.`,
        ...(instead
          ? {
              fix: {
                says: `Take ${instead.name} instead`,
                commands: [
                  {
                    do: 'set-format' as const,
                    change: {
                      envelope: {
                        name: instead.name,
                        widthMm: instead.widthMm,
                        heightMm: instead.heightMm,
                      },
                    },
                  },
                ],
              },
            }
          : {}),
      },
    ];
  },
  edges: () => [{ wrong: ofBulk(7), right: ofBulk(1) }],
};

/** Tight only by the thickness of what is mounted on it. */
function isUsualPair(plan: Plan): boolean {
  const { perSideMm } = sizesOf(plan).clearance;
  return plan.card.bulkMm <= MOUNTED_MM && perSideMm >= OF_THE_TRADE_MM && perSideMm < TOO_TIGHT_MM;
}

/** A card that is so thick in the middle. */
const ofBulk = (bulkMm: number): Plan =>
  smallPlan({ do: 'set-format', change: { card: { widthMm: 148, heightMm: 105 }, bulkMm } });
