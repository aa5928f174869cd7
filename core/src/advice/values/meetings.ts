import { areasTouch } from '../../order/areas';
import { meetingOf, type Meeting } from '../../materials/pigment';
import { everMasked, laidMix, mixOf, planPaper, type Pass, type Plan } from '../../document/plan';
import type { Work } from '../../kit/units';

/** What appears between two areas if they meet while both are wet. */
export interface WetMeeting {
  readonly one: string;
  readonly other: string;
  readonly mixes: readonly [string, string];
  readonly meeting: Meeting;
}

/** Neighbours, no barrier between them, whose last washes make a third colour or a grey where they run together. */
export function* wetMeetings(plan: Plan): Work<WetMeeting[]> {
  const paper = planPaper(plan);
  const barriers = everMasked(plan);
  const lastOn = (area: string): Pass | undefined =>
    plan.acts.findLast(
      (act): act is Pass => act.kind === 'pass' && act.mix !== null && act.areas.includes(area),
    );
  const meetings: WetMeeting[] = [];
  for (const [i, { id: one }] of plan.areas.entries())
    for (const { id: other } of plan.areas.slice(i + 1)) {
      yield i / plan.areas.length;
      const [a, b] = [lastOn(one), lastOn(other)];
      if (!a?.mix || !b?.mix || a.mix === b.mix || !areasTouch(plan, one, other, barriers)) continue;
      const meeting = meetingOf(
        laidMix(plan, mixOf(plan, a.mix), a.filmUm),
        laidMix(plan, mixOf(plan, b.mix), b.filmUm),
        paper,
      );
      if (meeting.kind !== 'none') meetings.push({ one, other, mixes: [a.mix, b.mix], meeting });
    }
  return meetings;
}
