import { meetingOf, meetingOfThree, type Meeting, type Mix } from '../../materials/pigment';
import { areasTouch } from '../../order/areas';
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
import { meetsWet, washAt, type MeetsWet } from '../../order/schedule';
import { listed } from '../../kit/units';
import type { Breath, Check, CheckContext, Found, Edge } from './check';
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

function* meetings(context: CheckContext, kind: 'third' | 'grey'): Generator<Found | Breath> {
  yield* betweenPasses(context, kind);
  yield null;
  yield* whereThreeMeet(context, kind);
  yield* withinPasses(context, kind);
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

/** A pass that comes into or beside paper wet enough to carry colour, with the pass whose other mix lies there. */
type Meets = MeetsWet & { readonly below: Pass & { readonly mix: string } };

function carrying({ plan, timeline }: CheckContext): Meets[] {
  return meetsWet(plan, timeline).flatMap((met): Meets[] => {
    const below = plan.acts.find(({ id }) => id === met.wash.act);
    const { filmUm, paperGm2 } = washAt(met.wash, met.startS);
    // A film of 1 µm is 1 g/m².
    if (filmUm + paperGm2 < MIXES_GM2 || below?.kind !== 'pass' || below.mix === null) return [];
    if (met.pass.mix === null || below.mix === met.pass.mix) return [];
    return [{ ...met, below: { ...below, mix: below.mix } }];
  });
}

/** What a pass lays of its own mix. */
const laidBy = (plan: Plan, { mix, filmUm }: Pass): Mix => laidMix(plan, mixOf(plan, mix!), filmUm);

/** What is laid on paper, or beside it, that is still wet with another mix. */
function* betweenPasses(context: CheckContext, kind: 'third' | 'grey'): Generator<Found | Breath> {
  const { plan } = context;
  const known = new Map<string, Meeting>();
  for (const { pass, startS, area, own, below } of carrying(context)) {
    yield null;
    // The same two mixes meet at many places.
    const key = [below, pass].map(({ mix, filmUm }) => `${mix} ${filmUm}`).join('/');
    const meeting = known.get(key) ?? meetingOf(laidBy(plan, below), laidBy(plan, pass), planPaper(plan));
    known.set(key, meeting);
    if (meeting.kind !== kind) continue;
    const [first, second] = [mixOf(plan, below.mix), mixOf(plan, pass.mix!)];
    yield {
      where: { area, pass: pass.id, atS: startS },
      number: { value: Math.round(100 * meeting.share), unit: '% of the second', limit: 0 },
      // What is charged into a wash on purpose is only told what it makes.
      ...(own ? { severity: 'note' as const } : {}),
      why: `${first.name} on ${nameOf(plan, area)} is still wet: with ${second.name} it makes a ${meeting.word} that is neither.`,
      fix: { says: `Wait until ${nameOf(plan, area)} is dry`, commands: [waitUntilDry(pass.id)] },
    };
  }
}

/** Two neighbours still wet where a third colour comes: no two of them make anything strange, all three do. */
function* whereThreeMeet(context: CheckContext, kind: 'third' | 'grey'): Generator<Found | Breath> {
  const { plan } = context;
  const met = carrying(context);
  const known = new Map<string, Meeting | null>();
  for (const [i, one] of met.entries()) {
    yield null;
    for (const other of met.slice(i + 1)) {
      const { pass, startS } = one;
      if (other.pass !== pass || other.below.mix === one.below.mix) continue;
      const laid = [one.below, other.below, pass];
      const key = laid.map(({ mix, filmUm }) => `${mix} ${filmUm}`).join('/');
      const meeting = known.has(key) ? known.get(key)! : onlyOfThree(plan, laid, kind);
      known.set(key, meeting);
      if (!meeting || !areasTouch(plan, one.area, other.area)) continue;
      yield {
        where: { area: other.area, pair: one.area, pass: pass.id, atS: startS },
        number: { value: Math.round(100 * meeting.share), unit: '% of the second', limit: 0 },
        ...(one.own && other.own ? { severity: 'note' as const } : {}),
        why: `${listed(laid.map(({ mix }) => mixOf(plan, mix!).name))} meet wet at one place: together they make a ${meeting.word} that none of them is.`,
        fix: {
          says: `Wait until ${nameOf(plan, other.area)} is dry`,
          commands: [waitUntilDry(pass.id)],
        },
      };
    }
  }
}

/** What three washes make together, where it is of that kind and no two of them make anything strange. */
function onlyOfThree(plan: Plan, laid: readonly Pass[], kind: 'third' | 'grey'): Meeting | null {
  const paper = planPaper(plan);
  const [a, b, c] = laid.map((pass) => laidBy(plan, pass));
  const meeting = meetingOfThree([a, b, c], paper);
  if (meeting.kind !== kind) return null;
  const pairs = [meetingOf(a, b, paper), meetingOf(a, c, paper), meetingOf(b, c, paper)];
  return pairs.every((pair) => pair.kind === 'none') ? meeting : null;
}
