import { nameOf, type Pass, type Plan } from '../../document/plan';
import { meetsWet, washAt, windowOf, reachedAt } from '../../order/schedule';
import { STAGE_WORDS, type Stage } from '../../simulation/water';
import type { Check, CheckContext, Found, Edge } from './check';
import { intoSky, washedSky, washOn } from './edge-plans';

/** Paper that is wet enough to let colour move, and may draw fresh water in. */
const RUNS_BACK: readonly Stage[] = ['shiny', 'satin', 'damp', 'cool'];

/**
 * Less water than this carries no pigment before it, and where more than this stands fresh water only dilutes, µm: both as
 * blots on simulated paper show them (docs/checks.md).
 */
const BLOOM_UM = 30;

/** Fresh water on paper whose film is going or gone: it pushes the colour before it and dries as a bloom. */
export const backrunRisk: Check = {
  id: 'backrun-risk',
  name: 'Water that runs back',
  station: 'passes',
  severity: 'look',
  when: `more than ${BLOOM_UM} µm of water comes on wet paper whose own film is no deeper`,
  source: 'blots on simulated paper (docs/checks.md)',
  find: (context) => wetterThanThere(context, (pass) => pass.technique !== 'second-wet'),
  edges: () => [wetterOnDamp('charge')],
};

/** Just too much water, and just not, on the washed sky as it has turned damp. */
function wetterOnDamp(technique: string): Edge {
  const wash = washOn(washedSky());
  const dampS = reachedAt(wash, 'damp')! - wash.laidS + 5;
  const laid = (filmUm: number): Plan => intoSky(technique, dampS, { filmUm });
  return { wrong: laid(31), right: laid(30) };
}

/** A second wet pass with more water than the paper still holds. */
export const secondPassWater: Check = {
  id: 'second-pass-water',
  name: 'Second wet pass too wet',
  station: 'passes',
  severity: 'look',
  when: `more than ${BLOOM_UM} µm of water comes on wet paper whose own film is no deeper`,
  source: 'blots on simulated paper (docs/checks.md)',
  find: (context) => wetterThanThere(context, (pass) => pass.technique === 'second-wet'),
  edges: () => [wetterOnDamp('second-wet')],
};

function wetterThanThere({ plan, timeline }: CheckContext, which: (pass: Pass) => boolean): Found[] {
  return meetsWet(plan, timeline).flatMap(({ pass, startS, area, wash, stage, own }): Found[] => {
    if (!which(pass) || !RUNS_BACK.includes(stage)) return [];
    // A neighbour that is wet at all is said already, unless the card lets colours run.
    const window = own ? windowOf(pass.technique, wash) : null;
    if (window === null && !plan.rules.letColoursRun) return [];
    const { filmUm } = washAt(wash, startS);
    if (filmUm > BLOOM_UM || pass.filmUm <= BLOOM_UM) return [];
    const name = nameOf(plan, area);
    return [
      {
        where: { area, pass: pass.id, atS: startS },
        number: { value: Math.round(pass.filmUm), unit: 'µm', limit: BLOOM_UM },
        ...(plan.rules.backruns === 'welcome' ? { severity: 'note' as const } : {}),
        why: `${name} is ${STAGE_WORDS[stage]} then and ${pass.mix === null ? 'clear water' : 'a brush with more water than is there'} runs back, more than ${BLOOM_UM} µm of it: a bloom with a hard rim.`,
        fix: {
          says: 'Take less water',
          commands: [{ do: 'change-pass', pass: pass.id, change: { filmUm: BLOOM_UM } }],
        },
      },
    ];
  });
}
