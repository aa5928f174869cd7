import { touchingAreas } from '../../order/areas';
import { nameOf } from '../../document/plan';
import { formatSpan } from '../../kit/units';
import type { Check } from './check';

/** A brush over masking fluid that has not set drags it along and ruins brush and edge. */
export const maskNotSet: Check = {
  id: 'mask-not-set',
  station: 'whites',
  severity: 'stop',
  find: ({ plan, timeline }) =>
    timeline.steps.flatMap(({ act, startS, before }) => {
      if (act.kind !== 'pass') return [];
      return touchingAreas(plan, act.areas, [...before.masks.keys()]).flatMap((area) => {
        const { onS, setS } = before.masks.get(area)!;
        if (setS !== null && startS >= setS) return [];
        const name = nameOf(plan, area);
        return [
          {
            where: { area, pass: act.id, atS: startS },
            number: {
              value: Math.round(startS - onS),
              unit: 's',
              limit: setS === null ? null : Math.round(setS - onS),
            },
            why:
              setS === null
                ? `the mask on ${name} never sets in air this damp.`
                : `the mask on ${name} has only had ${formatSpan(startS - onS)}; it sets in ${formatSpan(setS - onS)}.`,
            fix: {
              says: `Wait until the mask on ${name} has set`,
              commands: [
                { do: 'change-pass' as const, pass: act.id, change: { start: 'when-dry' as const } },
              ],
            },
          },
        ];
      });
    }),
};
