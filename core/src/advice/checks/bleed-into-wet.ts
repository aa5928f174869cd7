import { gapBetween, rectangle } from '../../kit/geometry';
import { nameOf, outlineOf, techniqueOf, type Plan, addArea, addPass, smallPlan } from '../../document/plan';
import { dryAt, meetsWet, washAt, windowOf, type LaidWash, reachedAt } from '../../order/schedule';
import { formatSpan } from '../../kit/units';
import { STAGE_WORDS, type Stage } from '../../simulation/water';
import type { Check } from './check';
import { waitUntilDry } from './fixes';
import { driesTo, washedSky, washOn } from './edge-plans';

/** Paper that holds less water, and no film, carries colour over no gap to speak of, g/m² and mm. From simulated paper (docs/checks.md). */
const CARRIES_GM2 = 60;
const NEAR_MM = 0.5;

/** Stages in which colours meant to meet run together softly. */
const RUN_TOGETHER: readonly Stage[] = ['shiny', 'satin'];

/**
 * A pass beside or over an area that is still wet: the two run into one another. Wanted dry by default;
 * allowed where the card lets colours run. What goes into its own wet wash is another rule’s to say.
 */
export const bleedIntoWet: Check = {
  id: 'bleed-into-wet',
  name: 'Colours that run together',
  station: 'passes',
  severity: 'stop',
  when: `a pass touches what is not dry within the bleed gap; further than ${NEAR_MM} mm only while that holds ${CARRIES_GM2} g/m² of water`,
  source: 'washes on simulated paper (docs/checks.md)',
  find: ({ plan, timeline }) =>
    meetsWet(plan, timeline).flatMap(({ pass, startS, area, wash, stage, own }) => {
      if (own && windowOf(pass.technique, wash) !== null) return [];
      if (plan.rules.letColoursRun && RUN_TOGETHER.includes(stage)) return [];
      if (techniqueOf(pass.technique).wets === false) return [];
      if (!own && !carries(wash, startS) && gapMm(plan, pass.areas, area) > NEAR_MM) return [];
      const dryS = dryAt(wash);
      const name = nameOf(plan, area);
      const left = dryS === null ? 'and never dries in this air' : `dry in ${formatSpan(dryS - startS)}`;
      return [
        {
          where: { area, pass: pass.id, atS: startS },
          number: { value: dryS === null ? null : Math.round(dryS - startS), unit: 's', limit: 0 },
          why: `${pass.areas.includes(area) ? name : `${name}, which it touches,`} is ${STAGE_WORDS[stage]} then, ${left}: the colours will run together.`,
          fix: { says: `Wait until ${name} is dry`, commands: [waitUntilDry(pass.id)] },
        },
      ];
    }),
  edges: () => {
    const wash = washOn(washedSky());
    const coolS = reachedAt(wash, 'cool')! - wash.laidS + 30;
    return [
      { wrong: stripBelow(0.49, coolS), right: stripBelow(0.51, coolS) },
      { wrong: stripBelow(1, driesTo(wash, 61)), right: stripBelow(1, driesTo(wash, 59)) },
    ];
  },
};

/** A strip so far below the washed sky, painted so many seconds after it. */
const stripBelow = (gapMm: number, afterS: number): Plan =>
  smallPlan(
    addArea('strip', rectangle(0, 50 + gapMm, 148, 6)),
    addPass('wash', 'sky', 'blue'),
    addPass('strip', 'strip', 'lemon', { start: { atS: washOn(washedSky()).laidS + afterS } }),
  );

function carries(wash: LaidWash, atS: number): boolean {
  const { filmUm, paperGm2 } = washAt(wash, atS);
  return filmUm > 0 || paperGm2 >= CARRIES_GM2;
}

const gapMm = (plan: Plan, areas: readonly string[], other: string): number =>
  Math.min(...areas.map((area) => gapBetween(outlineOf(plan, area), outlineOf(plan, other))));
