import { nameOf, techniqueOf } from '../plan';
import { dryAt, meetsWet, windowOf } from '../schedule';
import { formatSpan } from '../units';
import { STAGE_WORDS, type Stage } from '../water';
import type { Check } from './check';
import { waitUntilDry } from './fixes';

/** Stages in which colours meant to meet run together softly. */
const RUN_TOGETHER: readonly Stage[] = ['shiny', 'satin'];

/**
 * A pass beside or over an area that is still wet: the two run into one another. Wanted dry by default;
 * allowed where the card lets colours run. What goes into its own wet wash is another rule’s to say.
 */
export const bleedIntoWet: Check = {
  id: 'bleed-into-wet',
  severity: 'stop',
  find: ({ plan, timeline }) =>
    meetsWet(plan, timeline).flatMap(({ pass, startS, area, wash, stage, own }) => {
      if (own && windowOf(pass.technique, wash) !== null) return [];
      if (plan.rules.letColoursRun && RUN_TOGETHER.includes(stage)) return [];
      if (techniqueOf(pass.technique).wets === false) return [];
      const dryS = dryAt(wash);
      const name = nameOf(plan, area);
      const left = dryS === null ? 'and never dries in this air' : `dry in ${formatSpan(dryS - startS)}`;
      return [
        {
          where: { area, pass: pass.id, atS: startS },
          number: { value: dryS === null ? null : Math.round(dryS - startS), unit: 's', limit: 0 },
          why: `${own ? name : `${name}, which it touches,`} is ${STAGE_WORDS[stage]} then, ${left}: the colours will run together.`,
          fix: { says: `Wait until ${name} is dry`, commands: [waitUntilDry(pass.id)] },
        },
      ];
    }),
};
