import type { Check } from './check';
import { smallPlan, type Plan } from '../../document/plan';
import { maskedByHand } from './edge-plans';

/** Masked specks smaller than this are not seen at arm’s length, mm: about a minute of arc and a half at 700 mm. */
const SEEN_MM = 0.3;

/** Spatter most of which nobody will see was thrown from too far, or with too fine a brush. */
export const spatterTooSmall: Check = {
  id: 'spatter-too-small',
  name: 'Spatter too fine',
  station: 'whites',
  severity: 'note',
  when: `half of the masked drops are under ${SEEN_MM} mm`,
  source: 'about a minute and a half of arc at 700 mm',
  find: ({ plan }) =>
    plan.resists.flatMap(({ id, name, drops }) => {
      if (drops.length === 0) return [];
      const middle = drops.map(([, , diameter]) => diameter).sort((a, b) => a - b)[drops.length >> 1];
      if (middle >= SEEN_MM) return [];
      return [
        {
          where: { area: id },
          number: { value: Math.round(100 * middle) / 100, unit: 'mm', limit: SEEN_MM },
          why: `half the drops of ${name} are smaller than ${middle.toFixed(2)} mm; at arm’s length ${SEEN_MM} mm is seen. Try it on scrap with a larger brush.`,
        },
      ];
    }),
  edges: () => [{ wrong: sprayed(0.29), right: sprayed(0.3) }],
};

/** Two drops so large, and a larger one. */
const sprayed = (mm: number): Plan =>
  smallPlan(
    maskedByHand([
      [10, 10, mm],
      [20, 10, mm],
      [30, 10, 0.9],
    ]),
  );
