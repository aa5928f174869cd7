import { gapBetween } from '../../kit/geometry';
import { nameOf, outlineOf, addPass, techniqueOf } from '../../document/plan';
import { dryAt, washesOn } from '../../order/schedule';
import { formatSpan } from '../../kit/units';
import type { Check } from './check';
import { beginAt } from './fixes';
import { twoSquares } from './edge-plans';

/** A resting hand reaches so far from what it draws, mm. */
const HAND_MM = 60;

/** The hand rests on paper that is still wet, and smears it. */
export const handOnWet: Check = {
  id: 'hand-on-wet',
  name: 'Hand on wet paper',
  station: 'passes',
  severity: 'look',
  when: `the hand rests within ${HAND_MM} mm of wet paper`,
  source: 'ours',
  find: ({ plan, timeline }) =>
    timeline.steps.flatMap(({ act, startS, before }) => {
      if (act.kind !== 'pass' || !techniqueOf(act.technique).rests) return [];
      const near = [...washesOn(before).keys()].filter((wash) => {
        const dryS = dryAt(wash);
        const isWet = dryS === null || dryS > startS + 1;
        const gapTo = (own: string): number => gapBetween(outlineOf(plan, own), outlineOf(plan, wash.area));
        return isWet && act.areas.some((own) => gapTo(own) < HAND_MM);
      });
      if (near.length === 0) return [];
      const ends = near.map(dryAt);
      const dryS = ends.includes(null) ? null : Math.max(...(ends as number[]));
      const [{ area }] = near;
      return [
        {
          where: { area, pass: act.id, atS: startS },
          number: { value: dryS === null ? null : Math.round(dryS - startS), unit: 's', limit: 0 },
          why: `the hand rests on the sheet while ${nameOf(plan, area)} is wet${dryS === null ? '' : `, ${formatSpan(dryS - startS)} more`}: lay clean paper under it, or wait.`,
          ...(dryS === null
            ? {}
            : {
                fix: {
                  says: `Wait until ${nameOf(plan, area)} is dry`,
                  commands: [beginAt(act.id, { atS: Math.ceil(dryS) })],
                },
              }),
        },
      ];
    }),
  edges: () => {
    const [washed, drawn] = [
      addPass('wash', 'left', 'blue'),
      addPass('line', 'right', 'dark', { technique: 'line' }),
    ];
    return [{ wrong: twoSquares(59, washed, drawn), right: twoSquares(61, washed, drawn) }];
  },
};
