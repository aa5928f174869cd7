import { barrierGaps } from '../whites';
import type { Check } from './check';

/** What is masked as a line parts nothing where it does not close: water goes through the smallest gap. */
export const barrierGap: Check = {
  id: 'barrier-gap',
  station: 'whites',
  severity: 'look',
  find: ({ plan }) =>
    plan.resists.flatMap((resist) => {
      const gaps = barrierGaps(plan, resist);
      if (gaps.length === 0) return [];
      const widest = gaps.reduce((a, b) => (b.mm > a.mm ? b : a));
      const more = gaps.length === 1 ? 'a gap' : `${gaps.length} gaps, the widest`;
      return [
        {
          where: { area: resist.id, point: widest.at },
          number: { value: Math.round(10 * widest.mm) / 10, unit: 'mm', limit: 0 },
          why: `${resist.name} has ${more} of ${widest.mm.toFixed(1)} mm: colour runs through.`,
        },
      ];
    }),
};
