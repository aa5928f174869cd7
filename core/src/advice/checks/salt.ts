import {
  deedOf,
  DRY_WARM,
  nameOf,
  rightAfter,
  SALT,
  applyCommands,
  type Plan,
  addPass,
  smallPlan,
} from '../../document/plan';
import { mainWash, washAt, stageAt, windowOf, reachedAt } from '../../order/schedule';
import { PUDDLED_FILM_UM, SHINY_FILM_UM, type Stage } from '../../simulation/water';
import type { Check, CheckContext, Found } from './check';
import { beginAt } from './fixes';
import { intoSky, washedSky, washOn, chore } from './edge-plans';

/** Salt in a puddle dissolves and leaves nothing. */
export const saltTooWet: Check = {
  id: 'salt-too-wet',
  name: 'Salt in a puddle',
  station: 'passes',
  severity: 'look',
  when: `salt comes on more than ${PUDDLED_FILM_UM} µm of water`,
  source: 'stages of a wash (docs/drying.md)',
  find: (context) =>
    salted(
      context,
      ['puddled'],
      PUDDLED_FILM_UM,
      'water stands on it: the grains dissolve and leave nothing',
    ),
  edges: () => {
    const wash = washOn(washedSky({ filmUm: 200 }));
    const shinyS = reachedAt(wash, 'shiny')! - wash.laidS;
    return [{ wrong: saltedSky(200, shinyS - 2), right: saltedSky(200, shinyS + 2) }];
  },
};

/** Salt on a sky washed so wet, so many seconds after. */
function saltedSky(filmUm: number, afterS: number): Plan {
  const { laidS } = washOn(washedSky({ filmUm }));
  return applyCommands(intoSky('salt', afterS, { start: { atS: laidS + afterS } }, null), [
    { do: 'change-pass', pass: 'wash', change: { filmUm } },
  ]).plan;
}

/** Salt on paper that no longer shines draws nothing. */
export const saltTooDry: Check = {
  id: 'salt-too-dry',
  name: 'Salt where nothing shines',
  station: 'passes',
  severity: 'look',
  when: `salt comes on less than ${SHINY_FILM_UM} µm of water`,
  source: 'stages of a wash (docs/drying.md)',
  find: (context) =>
    salted(
      context,
      ['satin', 'damp', 'cool', 'dry'],
      SHINY_FILM_UM,
      'it no longer shines: the grains draw nothing to them',
    ),
  edges: () => {
    const wash = washOn(washedSky());
    const satinS = reachedAt(wash, 'satin')! - wash.laidS;
    return [{ wrong: saltedSky(wash.filmUm, satinS + 2), right: saltedSky(wash.filmUm, satinS - 2) }];
  },
};

function salted(
  { plan, timeline }: CheckContext,
  stages: readonly Stage[],
  limit: number,
  what: string,
): Found[] {
  return timeline.steps.flatMap(({ act, startS, before }) => {
    if (act.kind !== 'pass' || act.technique !== SALT) return [];
    return act.areas.flatMap((area): Found[] => {
      const wash = mainWash(before, area);
      if (!stages.includes(wash ? stageAt(wash, startS) : 'dry')) return [];
      const filmUm = wash ? washAt(wash, startS).filmUm : 0;
      const shines = wash && windowOf(SALT, wash)?.earliestS !== Infinity;
      return [
        {
          where: { area, pass: act.id, atS: startS },
          number: { value: Math.round(filmUm), unit: 'µm', limit },
          why: `salt comes on ${nameOf(plan, area)} when ${what}.`,
          ...(shines
            ? {
                fix: {
                  says: 'Strew it while it shines',
                  commands: [rightAfter(plan, act.id, wash.act), beginAt(act.id, { stage: 'shiny' })],
                },
              }
            : {}),
        },
      ];
    });
  });
}

/** Strong warmth on lying salt melts it into a crust. */
export const saltHeated: Check = {
  id: 'salt-heated',
  name: 'Dryer over salt',
  station: 'passes',
  severity: 'look',
  when: 'warm air comes over salt that lies',
  source: 'usual advice of makers; theirs goes first',
  find: ({ plan, timeline }) => {
    let lying: { area: string; pass: string } | null = null;
    return timeline.steps.flatMap(({ act, startS }) => {
      if (act.kind === 'pass' && act.technique === SALT && act.areas.length > 0)
        lying = { area: act.areas[0], pass: act.id };
      if (deedOf(act) === 'takes-salt-off') lying = null;
      if (lying === null || deedOf(act) !== 'warms') return [];
      const { area, pass } = lying;
      return [
        {
          where: { area, pass, atS: startS },
          number: { value: 1, unit: 'times', limit: 0 },
          why: `a dryer over the salt on ${nameOf(plan, area)} blows it about and bakes it on: gentle warmth only, or let it dry by itself.`,
          fix: {
            says: 'Let it dry in the air instead',
            commands: [{ do: 'remove-act' as const, act: act.id }],
          },
        },
      ];
    });
  },
  edges: () => {
    const salted = [
      addPass('wash', 'sky', 'blue'),
      addPass('salt', 'sky', null, { technique: SALT, start: { stage: 'shiny' } }),
    ];
    const warm = chore('warm', DRY_WARM);
    return [{ wrong: smallPlan(...salted, warm), right: smallPlan(...salted, chore('off', 'unsalt'), warm) }];
  },
};
