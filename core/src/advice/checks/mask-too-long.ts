import { maskOn, nameOf, addPass, smallPlan, type Plan } from '../../document/plan';
import { formatSpan } from '../../kit/units';
import { LONGEST_MASK_S } from '../whites';
import type { Check } from './check';
import { kept } from './edge-plans';

/** A mask that stays on for days bakes into the paper and tears it when it comes off. */
export const maskTooLong: Check = {
  id: 'mask-too-long',
  name: 'Mask on for days',
  station: 'whites',
  severity: 'look',
  when: `a mask stays on longer than ${formatSpan(LONGEST_MASK_S)}`,
  source: 'usual advice of makers; theirs goes first',
  find: ({ plan, timeline }) =>
    timeline.masks.flatMap(({ area, onS, offS }) => {
      const onForS = (offS ?? timeline.endS) - onS;
      if (maskOn(plan, area).stays || onForS <= LONGEST_MASK_S) return [];
      return [
        {
          where: { area, atS: onS },
          number: { value: Math.round(onForS), unit: 's', limit: LONGEST_MASK_S },
          why: `the mask on ${nameOf(plan, area)} would stay on for ${formatSpan(onForS)}; after ${formatSpan(LONGEST_MASK_S)} it may not come off cleanly.`,
        },
      ];
    }),
  edges: () => [{ wrong: maskedForHours(26), right: maskedForHours(22) }],
};

/** A boat masked at the beginning, and the sky washed so many hours after it. */
const maskedForHours = (hours: number): Plan =>
  smallPlan(addPass('wash', 'sky', 'blue', { start: { atS: hours * 3600 } }), kept('boat', 'mask'));
