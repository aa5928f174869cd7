import { polygonArea, rectangle } from '../../kit/geometry';
import { areaOf, addArea, smallPlan, type Plan } from '../../document/plan';
import { LARGE_MASK_CM2 } from '../whites';
import type { Check } from './check';
import { kept } from './edge-plans';

/** A mask that is large in one part pulls at the paper when it is rubbed off, and tears it. */
export const maskTooLarge: Check = {
  id: 'mask-too-large',
  name: 'Mask too large to rub off',
  station: 'whites',
  severity: 'look',
  when: `one part of a mask is larger than ${LARGE_MASK_CM2} cm²`,
  source: 'ours',
  find: ({ plan }) =>
    plan.whites.flatMap((white) => {
      const { name, outline } = areaOf(plan, white.area);
      const cm2 = polygonArea(outline) / 100;
      if (white.way !== 'mask' || cm2 <= LARGE_MASK_CM2) return [];
      return [
        {
          where: { area: white.area },
          number: { value: Math.round(10 * cm2) / 10, unit: 'cm²', limit: LARGE_MASK_CM2 },
          why: `${name} is ${cm2.toFixed(1)} cm² in one part; a mask above ${LARGE_MASK_CM2} cm² may tear the paper.`,
          fix: {
            says: `Paint round ${name} instead`,
            commands: [{ do: 'keep-white' as const, white: { ...white, way: 'paint-round' as const } }],
          },
        },
      ];
    }),
  edges: () => [{ wrong: maskedSail(30.1), right: maskedSail(30) }],
};

/** A masked sail so wide and 20 mm high. */
const maskedSail = (wideMm: number): Plan =>
  smallPlan(addArea('sail', rectangle(20, 5, wideMm, 20)), kept('sail', 'mask'));
