import { barrierGaps } from '../whites';
import type { Check } from './check';
import { addPass, smallPlan, type Plan } from '../../document/plan';
import { maskedByHand } from './edge-plans';

/** What is masked as a line parts nothing where it does not close: water goes through the smallest gap. */
export const barrierGap: Check = {
  id: 'barrier-gap',
  name: 'Gap in a masked line',
  station: 'whites',
  severity: 'look',
  when: 'a line of mask across a wash does not close',
  source: 'water bridges any gap (docs/whites.md)',
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
  edges: () => [{ wrong: ropeTo(147), right: ropeTo(148) }],
};

/** A masked rope across the sky from its left edge to so far. */
const ropeTo = (x: number): Plan =>
  smallPlan(
    addPass('wash', 'sky', 'blue'),
    maskedByHand(
      [],
      [
        [0, 30],
        [60, 34],
        [x, 30],
      ],
    ),
  );
