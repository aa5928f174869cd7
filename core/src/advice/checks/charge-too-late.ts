import { freeId, nameOf, newPass, rightAfter, techniqueOf, type Pass } from '../../document/plan';
import { mainWash, windowOf } from '../../order/schedule';
import { formatSpan } from '../../kit/units';
import type { Check, Found } from './check';
import { beginAt } from './fixes';
import { intoSky, washedSky, washOn } from './edge-plans';

/** What a brush brings into a wet wash, colour or the water that softens an edge; salt and mist have rules of their own. */
const isBrushedIn = ({ technique }: Pass): boolean => {
  const { start, laid } = techniqueOf(technique);
  return start === 'wet' && laid === undefined;
};

/** What is meant to go into a wet wash comes when its window has closed: it dries with hard edges, or runs back. */
export const chargeTooLate: Check = {
  id: 'charge-too-late',
  name: 'Into the wet too late',
  station: 'passes',
  severity: 'look',
  when: 'what is to go into the wet comes after its window, or where nothing is wet',
  source: 'windows on simulated paper (docs/painting.md)',
  find: ({ plan, timeline }) =>
    timeline.steps.flatMap(({ act, startS, before }) => {
      if (act.kind !== 'pass' || !isBrushedIn(act)) return [];
      return act.areas.flatMap((area): Found[] => {
        const wash = mainWash(before, area);
        const name = nameOf(plan, area);
        if (!wash) {
          const wetting = newPass({
            ...{ id: freeId(plan.acts, 'wetting'), technique: 'pre-wet', areas: [area], mix: null },
            // It wets what the pass wants wet, in the moment the pass would have begun.
            start: act.start === 'straight-on' ? 'when-dry' : act.start,
          });
          return [
            {
              where: { area, pass: act.id, atS: startS },
              number: { value: null, unit: 's', limit: 0 },
              why: `nothing is wet on ${name} then: what is meant to float dries with hard edges.`,
              fix: {
                says: `Wet ${name} first`,
                commands: [
                  { do: 'add-act' as const, act: wetting, before: act.id },
                  beginAt(act.id, 'straight-on'),
                ],
              },
            },
          ];
        }
        const latestS = windowOf(act.technique, wash)?.latestS ?? null;
        if (latestS === null || startS <= latestS) return [];
        return [
          {
            where: { area, pass: act.id, atS: startS },
            number: {
              value: Math.round(startS - wash.laidS),
              unit: 's',
              limit: Math.round(latestS - wash.laidS),
            },
            why: `${name} takes it up to ${formatSpan(latestS - wash.laidS)} after it is wetted; it comes ${formatSpan(startS - latestS)} too late and will not merge.`,
            fix: {
              says: `Do it straight after ${name} is wetted`,
              commands: [rightAfter(plan, act.id, wash.act), beginAt(act.id, 'straight-on')],
            },
          },
        ];
      });
    }),
  edges: () => {
    const wash = washOn(washedSky());
    const latestS = windowOf('charge', wash)!.latestS! - wash.laidS;
    return [{ wrong: intoSky('charge', latestS + 2), right: intoSky('charge', latestS - 2) }];
  },
};
