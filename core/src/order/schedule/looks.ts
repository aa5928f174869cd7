import { hexOf } from '../../kit/colour';
import { colourAt, wettedThrough, type Plan } from '../../document/plan';
import { wetLook } from '../../simulation/water';
import { asPart, done, type Work } from '../../kit/units';
import { washAt } from './table';
import type { Timeline, WetSpan } from './timeline';

/** The colour of an area from a time on. */
export interface LookFrame {
  readonly atS: number;
  readonly hex: string;
}

/** Colours kept of one drying wash, between the loss of its film and dry. */
const FRAMES_A_WASH = 8;

/** How each area looks as time goes: its frames in order, the first at 0 s. Wet paint is darker, and pales as it dries. */
export function* lookingOn(plan: Plan, timeline: Timeline): Work<Map<string, LookFrame[]>> {
  const looks = new Map<string, LookFrame[]>();
  for (const [i, { id }] of plan.areas.entries()) {
    const [from, to] = [i / plan.areas.length, (i + 1) / plan.areas.length];
    looks.set(id, yield* asPart(framesOf(plan, timeline, id), from, to));
  }
  return looks;
}

/** The same in one go. */
export const areaLooks = (plan: Plan, timeline: Timeline): Map<string, LookFrame[]> =>
  done(lookingOn(plan, timeline));

function* framesOf(plan: Plan, timeline: Timeline, area: string): Work<LookFrame[]> {
  const frames: LookFrame[] = [{ atS: 0, hex: hexOf(colourAt(plan, area, 0)) }];
  for (const [index, { act, endS }] of timeline.steps.entries()) {
    yield index / timeline.steps.length;
    const through = wettedThrough(plan, area, index);
    if (through === null) continue;
    const laid = timeline.washes.filter((span) => span.act === act.id);
    const there = laid.filter((span) => span.area === area);
    for (const wash of there.length > 0 ? there : laid.filter((span) => span.area === through))
      for (const atS of frameTimes(wash, Math.max(endS, wash.laidS))) {
        const { filmUm, paperGm2 } = washAt(wash, atS);
        frames.push({ atS, hex: hexOf(colourAt(plan, area, index + 1, wetLook(filmUm, paperGm2))) });
      }
  }
  return frames.sort((a, b) => a.atS - b.atS);
}

function frameTimes(wash: WetSpan, endS: number): number[] {
  const { satinEndS } = wash.course.stages;
  const matt = satinEndS === null ? Infinity : wash.laidS + satinEndS * wash.factor;
  if (matt >= wash.untilS) return [endS];
  const step = (wash.untilS - matt) / FRAMES_A_WASH;
  return [endS, ...Array.from({ length: FRAMES_A_WASH }, (_, i) => matt + step * (i + 1))];
}
