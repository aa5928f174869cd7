import { nameOf, type Pass } from '../plan';
import { meetsWet, washAt, windowOf } from '../schedule';
import { STAGE_WORDS, type Stage } from '../water';
import type { Check, CheckContext, Found } from './check';
import { beginAt, rightAfter, waitUntilDry } from './fixes';

/** Paper in these stages is thirsty enough to draw fresh water in, and damp enough for it to push the colour out. */
const RUNS_BACK: readonly Stage[] = ['satin', 'damp'];

/** A brush cannot be wrung out further, µm. */
const LEAST_FILM_UM = 12;

/** Water added to paper that holds less of it: it pushes the colour before it and dries as a bloom. */
export const backrunRisk: Check = {
  id: 'backrun-risk',
  severity: 'look',
  find: (context) => wetterThanThere(context, (pass) => pass.technique !== 'second-wet'),
};

/** A second wet pass with more water than the paper still holds. */
export const secondPassWater: Check = {
  id: 'second-pass-water',
  severity: 'look',
  find: (context) => wetterThanThere(context, (pass) => pass.technique === 'second-wet'),
};

function wetterThanThere({ plan, timeline }: CheckContext, which: (pass: Pass) => boolean): Found[] {
  return meetsWet(plan, timeline).flatMap(({ pass, startS, area, wash, stage, own }): Found[] => {
    if (!which(pass) || !RUNS_BACK.includes(stage)) return [];
    // A neighbour that is wet at all is said already, unless the card lets colours run.
    const window = own ? windowOf(pass.technique, wash) : null;
    if (window === null && !plan.rules.letColoursRun) return [];
    const { filmUm, paperGm2 } = washAt(wash, startS);
    // A film of 1 µm is 1 g/m². Clear water is always more than none of it.
    const thereUm = filmUm + paperGm2;
    const bears = pass.mix === null ? 0 : thereUm;
    if (pass.filmUm <= bears) return [];
    const name = nameOf(plan, area);
    const drier = pass.mix !== null && thereUm >= LEAST_FILM_UM;
    return [
      {
        where: { area, pass: pass.id, atS: startS },
        number: { value: Math.round(pass.filmUm), unit: 'µm', limit: Math.floor(bears) },
        ...(plan.rules.backruns === 'welcome' ? { severity: 'note' as const } : {}),
        why: `${name} is ${STAGE_WORDS[stage]} then and ${pass.mix === null ? 'clear water' : `a brush with more water than the ${Math.round(thereUm)} µm still there`} runs back: a bloom with a hard rim.`,
        fix: drier
          ? {
              says: 'Take less water',
              commands: [{ do: 'change-pass', pass: pass.id, change: { filmUm: Math.floor(thereUm) } }],
            }
          : window !== null
            ? {
                says: `Do it straight after ${name} is wetted`,
                commands: [rightAfter(plan, pass.id, wash.act), beginAt(pass.id, 'straight-on')],
              }
            : { says: `Wait until ${name} is dry`, commands: [waitUntilDry(pass.id)] },
      },
    ];
  });
}
