import { TOO_TIGHT_MM } from '../../commission/card';
import { sizesOf, stillToCrop } from '../../document/plan';
import type { Check } from './check';

/** A card that does not go into its envelope, or of which nothing would be left. */
export const cardOffEnvelope: Check = {
  id: 'card-off-envelope',
  station: 'paper',
  severity: 'stop',
  find: ({ plan }) => {
    if (stillToCrop(plan)) return [];
    const { fits, clearance, warning, instead } = sizesOf(plan);
    if (fits || warning === undefined) return [];
    return [
      {
        where: {},
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
};
