import { touchingAreas } from '../areas';
import { nameOf, techniqueOf, type Pass } from '../plan';
import { dryAt, stageAt } from '../schedule';
import { formatSpan } from '../units';
import { STAGE_WORDS, type Stage } from '../water';
import type { Check } from './check';

/** Stages in which colours meant to meet run together softly. */
const RUN_TOGETHER: readonly Stage[] = ['shiny', 'satin'];

/** Stages in which colour may be added to a wet wash of the same area without a backrun, if the brush is no wetter. */
const MAY_CHARGE: readonly Stage[] = ['puddled', 'shiny', 'satin'];

/**
 * A pass beside or over an area that is still wet: the two run into one another. Wanted dry by default;
 * allowed where the card lets colours run, or where the technique goes into its own wet wash.
 */
export const bleedIntoWet: Check = {
  id: 'bleed-into-wet',
  severity: 'stop',
  find: ({ plan, timeline }) =>
    timeline.steps.flatMap(({ act, startS, before }) => {
      if (act.kind !== 'pass') return [];
      return touchingAreas(plan, act.areas, [...before.washes.keys()]).flatMap((area) => {
        const wash = before.washes.get(area)!;
        const stage = stageAt(wash, startS);
        const dryS = dryAt(wash);
        if (stage === 'dry' || mayMeet(act, area, stage, plan.rules.letColoursRun)) return [];
        const own = act.areas.some((a) => a === area);
        const name = nameOf(plan, area);
        const left = dryS === null ? 'and never dries in this air' : `dry in ${formatSpan(dryS - startS)}`;
        return [
          {
            where: { area, pass: act.id, atS: startS },
            number: { value: dryS === null ? null : Math.round(dryS - startS), unit: 's', limit: 0 },
            why: `${own ? name : `${name}, which it touches,`} is ${STAGE_WORDS[stage]} then, ${left}: the colours will run together.`,
            fix: {
              says: `Wait until ${name} is dry`,
              commands: [
                { do: 'change-pass' as const, pass: act.id, change: { start: 'when-dry' as const } },
              ],
            },
          },
        ];
      });
    }),
};

function mayMeet(pass: Pass, area: string, stage: Stage, letColoursRun: boolean): boolean {
  if (techniqueOf(pass.technique).start === 'wet' && pass.areas.includes(area))
    return MAY_CHARGE.includes(stage);
  return letColoursRun && RUN_TOGETHER.includes(stage);
}
