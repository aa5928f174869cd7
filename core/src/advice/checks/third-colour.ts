import { meetingOf } from '../../materials/pigment';
import {
  laidMix,
  mixesOf,
  mixOf,
  nameOf,
  planPaper,
  addPass,
  smallPlan,
  type Pass,
  type Plan,
} from '../../document/plan';
import { meetsWet, washAt } from '../../order/schedule';
import type { Check, CheckContext, Found, Edge } from './check';
import { waitUntilDry } from './fixes';
import { driesTo, mixFrom, washOn } from './edge-plans';

/** Drier paper no longer carries one colour into another, g/m² of water. From washes on simulated paper (docs/checks.md). */
const MIXES_GM2 = 62;

/** Two colours that run together make one that is neither: yellow and blue a green where nobody wanted it. */
export const thirdColour: Check = {
  id: 'third-colour',
  name: 'A third colour',
  station: 'passes',
  severity: 'look',
  when: `two mixes meet on paper that holds ${MIXES_GM2} g/m² of water, and make a hue of their own`,
  source: 'washes on simulated paper (docs/checks.md)',
  find: (context) => meetings(context, 'third'),
  edges: () => [asItDries(['PB29', 'PY3'])],
};

/** Two colours, the second laid on a boat in the sky of the first while that is wet, or not. */
const boatInSky = (codes: readonly [sky: string, boat: string], start: Pass['start']): Plan =>
  smallPlan(
    mixFrom('ground', [codes[0]], { strength: 0.5 }),
    mixFrom('figure', [codes[1]], { strength: 0.3 }),
    addPass('wash', 'sky', 'ground'),
    addPass('boat', 'boat', 'figure', { start }),
  );

/** As its paper holds just more, and just less, than carries colour. */
function asItDries(codes: readonly [sky: string, boat: string]): Edge {
  const wash = washOn(boatInSky(codes, 'when-dry'));
  const at = (gm2: number): Plan => boatInSky(codes, { atS: wash.laidS + driesTo(wash, gm2) });
  return { wrong: at(64), right: at(60) };
}

/** Opposites that run together make a grey. */
export const complementsMeet: Check = {
  id: 'complements-meet',
  name: 'Opposites meet wet',
  station: 'passes',
  severity: 'look',
  when: `two opposites meet on paper that holds ${MIXES_GM2} g/m² of water, and make a grey`,
  source: 'washes on simulated paper (docs/checks.md)',
  find: (context) => meetings(context, 'grey'),
  edges: () => [asItDries(['PO48', 'PB28'])],
};

function meetings(context: CheckContext, kind: 'third' | 'grey'): Found[] {
  return [...betweenPasses(context, kind), ...withinPasses(context, kind)];
}

/** Two mixes of one pass, laid side by side in its water. */
function withinPasses({ plan, timeline }: CheckContext, kind: 'third' | 'grey'): Found[] {
  return timeline.steps.flatMap(({ act, startS }): Found[] => {
    // What covers its areas in spots does not run together.
    if (act.kind !== 'pass' || act.covers < 1 || act.areas.length === 0) return [];
    const mixes = mixesOf(act).map((mix) => mixOf(plan, mix));
    const found = mixes.slice(1).flatMap((second, i): Found[] => {
      const [one, other] = [mixes[i], second].map((mix) => laidMix(plan, mix, act.filmUm));
      const meeting = meetingOf(one, other, planPaper(plan));
      if (meeting.kind !== kind) return [];
      return [
        {
          where: { area: act.areas[0], pass: act.id, atS: startS },
          number: { value: Math.round(100 * meeting.share), unit: '% of the second', limit: 0 },
          // It is laid so on purpose: only told what comes of it.
          severity: 'note',
          why: `${mixes[i].name} and ${second.name} are laid wet side by side: where they meet they make a ${meeting.word} that is neither.`,
          fix: {
            says: `Lay ${mixes[0].name} alone`,
            commands: [{ do: 'change-pass', pass: act.id, change: { also: [] } }],
          },
        },
      ];
    });
    return found.slice(0, 1);
  });
}

/** What is laid on paper, or beside it, that is still wet with another mix. */
function betweenPasses({ plan, timeline }: CheckContext, kind: 'third' | 'grey'): Found[] {
  return meetsWet(plan, timeline).flatMap(({ pass, startS, area, wash, own }): Found[] => {
    const below = plan.acts.find(({ id }) => id === wash.act);
    const { filmUm, paperGm2 } = washAt(wash, startS);
    if (
      // A film of 1 µm is 1 g/m².
      filmUm + paperGm2 < MIXES_GM2 ||
      below?.kind !== 'pass' ||
      below.mix === null ||
      pass.mix === null ||
      below.mix === pass.mix
    )
      return [];
    const [one, other] = [below, pass].map((laid) => laidMix(plan, mixOf(plan, laid.mix!), laid.filmUm));
    const meeting = meetingOf(one, other, planPaper(plan));
    if (meeting.kind !== kind) return [];
    const [first, second] = [mixOf(plan, below.mix), mixOf(plan, pass.mix)];
    return [
      {
        where: { area, pass: pass.id, atS: startS },
        number: { value: Math.round(100 * meeting.share), unit: '% of the second', limit: 0 },
        // What is charged into a wash on purpose is only told what it makes.
        ...(own ? { severity: 'note' as const } : {}),
        why: `${first.name} on ${nameOf(plan, area)} is still wet: with ${second.name} it makes a ${meeting.word} that is neither.`,
        fix: { says: `Wait until ${nameOf(plan, area)} is dry`, commands: [waitUntilDry(pass.id)] },
      },
    ];
  });
}
