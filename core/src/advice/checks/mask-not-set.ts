import { touchingAreas } from '../../order/areas';
import { nameOf, addPass, smallPlan, type Plan } from '../../document/plan';
import { formatSpan } from '../../kit/units';
import type { Check } from './check';
import { layOut } from '../../order/schedule';
import { chore } from './edge-plans';

/** A brush over masking fluid that has not set drags it along and ruins brush and edge. */
export const maskNotSet: Check = {
  id: 'mask-not-set',
  name: 'Brush over a soft mask',
  station: 'whites',
  severity: 'stop',
  when: 'a brush comes over masking fluid that has not set',
  source: 'setting of masking fluid in this air (docs/whites.md)',
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
  edges: () => {
    const { before } = layOut(paintedOver(1e5)).steps.find(({ act }) => act.id === 'wash')!;
    const { setS } = before.masks.get('boat')!;
    return [{ wrong: paintedOver(setS! - 5), right: paintedOver(setS! + 5) }];
  },
};

/** A boat masked, and the sky washed over it at a time, s. */
const paintedOver = (atS: number): Plan =>
  smallPlan(chore('mask', 'mask-on', ['boat']), addPass('wash', 'sky', 'blue', { start: { atS } }));
