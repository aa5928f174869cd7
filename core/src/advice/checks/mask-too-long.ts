import { maskOn, nameOf } from '../../document/plan';
import { formatSpan } from '../../kit/units';
import { LONGEST_MASK_S } from '../whites';
import type { Check } from './check';

/** A mask that stays on for days bakes into the paper and tears it when it comes off. */
export const maskTooLong: Check = {
  id: 'mask-too-long',
  station: 'whites',
  severity: 'look',
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
};
