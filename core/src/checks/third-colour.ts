import { meetingOf } from '../pigment';
import { laidMix, mixOf, nameOf, planPaper } from '../plan';
import { meetsWet, washAt } from '../schedule';
import type { Check, CheckContext, Found } from './check';
import { waitUntilDry } from './fixes';

/** Drier paper no longer carries one colour into another, g/m² of water. From washes on simulated paper (docs/checks.md). */
const MIXES_GM2 = 62;

/** Two colours that run together make one that is neither: yellow and blue a green where nobody wanted it. */
export const thirdColour: Check = {
  id: 'third-colour',
  severity: 'look',
  find: (context) => meetings(context, 'third'),
};

/** Opposites that run together make a grey. */
export const complementsMeet: Check = {
  id: 'complements-meet',
  severity: 'look',
  find: (context) => meetings(context, 'grey'),
};

function meetings({ plan, timeline }: CheckContext, kind: 'third' | 'grey'): Found[] {
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
