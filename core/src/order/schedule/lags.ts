import { nearPatches, patchesIn, touchingAreas } from '../areas';
import { setsAfter } from '../../drawing/masking';
import { deedOf, choreOf, maskOn, techniqueOf, type Act, type Pass, type Plan } from '../../document/plan';
import type { Lag } from '../sequencing';
import { done, type Work } from '../../kit/units';
import { comesTo, dryAt, reachedAt, type LaidWash } from './table';
import type { Timeline, TimelineAtTable } from './timeline';
import { windowOf } from './windows';

/** What must lie between every two of these acts, as they stand in order: what touches keeps its order and its drying. */
export function* findingLags(plan: Plan, timeline: TimelineAtTable, acts: readonly Act[]): Work<Lag[]> {
  const touch = meeting(plan, timeline);
  const lags: Lag[] = [];
  for (const [j, to] of acts.entries()) {
    yield j / acts.length;
    for (const from of acts.slice(0, j)) {
      const lag = between(plan, timeline, from, to, touch);
      if (lag) lags.push({ from: from.id, to: to.id, fromEdge: 'end', ...lag });
    }
  }
  return lags;
}

/** The same in one go. */
export const lagsOf = (plan: Plan, timeline: TimelineAtTable, acts: readonly Act[]): Lag[] =>
  done(findingLags(plan, timeline, acts));

type Touch = (from: Act, to: Act) => boolean;

/** Whether what two acts are done to lies so near that water goes over: told by the patches each comes to as the plan stands. */
function meeting(plan: Plan, { steps }: TimelineAtTable): Touch {
  const near = nearPatches(plan);
  const places = new Map(
    steps.map(({ act, before }) => [
      act.id,
      new Set([...comesTo(plan, act, before).keys()].map(({ index }) => index)),
    ]),
  );
  // Drops of mask have no patch of their own.
  const isSprayed = ({ areas }: Act): boolean => areas.some((area) => patchesIn(plan, area).length === 0);
  return (from, to) => {
    if (isSprayed(from) || isSprayed(to)) return touchingAreas(plan, to.areas, from.areas).length > 0;
    const there = places.get(to.id)!;
    return [...places.get(from.id)!].some((index) => near[index].some((other) => there.has(other)));
  };
}

/** What must lie between an act and a later one, from its end to the other's start; `null` where they have nothing to do with each other. */
function between(
  plan: Plan,
  timeline: Timeline,
  from: Act,
  to: Act,
  touch: Touch,
): Pick<Lag, 'minS' | 'maxS'> | null {
  const waitS = from.kind === 'chore' ? choreOf(from.chore).waitS : 0;
  const whole = (act: Act): boolean => act.kind === 'chore' && act.areas.length === 0;
  if (whole(from)) return { minS: waitS };
  if (whole(to))
    return { minS: to.kind === 'chore' && choreOf(to.chore).needsDry ? driesAfter(timeline, from) : waitS };
  if (!touch(from, to)) return null;
  if (from.kind === 'chore') return { minS: deedOf(from) === 'masks' ? setsS(plan, from) : waitS };
  if (to.kind === 'pass' && to.start !== 'when-dry') return intoTheWet(timeline, from, to);
  return { minS: driesAfter(timeline, from) };
}

/** How long after its end all that an act has wetted is dry, s; 0 for what wets nothing. */
export function driesAfter({ washes }: Timeline, act: Act): number {
  const own = washes.filter((wash) => wash.act === act.id);
  return Math.max(0, ...own.map(({ course, factor }) => (course.stages.coolEndS ?? 0) * factor));
}

/**
 * What goes straight on goes in while what it meets still shines; what was dry by then has to be dry again, and what has been
 * wetted again since is that later pass’s to say.
 */
function intoTheWet(timeline: Timeline, from: Act, to: Pass): Pick<Lag, 'minS' | 'maxS'> {
  const begins = timeline.steps.find(({ act }) => act.id === to.id)!.startS;
  const met = timeline.washes.filter((wash) => wash.act === from.id && to.areas.includes(wash.area));
  const wet = met.filter(({ untilS }) => untilS > begins);
  if (typeof to.start === 'object' && 'stage' in to.start && wet.length > 0) {
    const { stage } = to.start;
    const since = (at: number | null, laidS: number): number => Math.max(0, (at ?? laidS) - laidS);
    return {
      minS: Math.max(...wet.map((wash) => since(reachedAt(wash, stage), wash.laidS))),
      maxS: Math.min(...wet.map((wash) => since(dryAt(wash), wash.laidS))),
    };
  }
  const shines = wet.map(({ course, factor }) => (course.stages.satinEndS ?? 0) * factor);
  if (wet.length > 0) return { minS: 0, maxS: Math.max(0, Math.min(...shines)) };
  if (techniqueOf(to.technique).start === 'wet') return itsWindow(timeline, met, to);
  const dried = met.some((wash) => wash.untilS >= (dryAt(wash) ?? Infinity));
  return { minS: dried ? driesAfter(timeline, from) : 0 };
}

/**
 * What is meant to go into a wash goes into it wet, however late it comes as things stand; from a wash that another has
 * covered since it has nothing to wait for.
 */
function itsWindow(timeline: Timeline, met: readonly LaidWash[], to: Pass): Pick<Lag, 'minS' | 'maxS'> {
  const windows = met
    .filter((wash) => isLastUnder(timeline, wash, to))
    .flatMap((wash) => {
      const window = windowOf(to.technique, wash);
      return window
        ? [[window.earliestS - wash.laidS, (window.latestS ?? Infinity) - wash.laidS] as const]
        : [];
    });
  const latest = Math.min(...windows.map(([, maxS]) => maxS));
  return {
    minS: Math.max(0, ...windows.map(([minS]) => minS)),
    ...(Number.isFinite(latest) ? { maxS: latest } : {}),
  };
}

/** Whether a pass comes to a wash with no other laid on the same area between them. */
const isLastUnder = ({ washes }: Timeline, { area, laidS, act }: LaidWash, pass: Pass): boolean => {
  const own = washes.find((wash) => wash.act === pass.id && wash.area === area);
  return !washes.some(
    (wash) =>
      wash.area === area && wash.act !== act && wash.laidS > laidS && (!own || wash.laidS < own.laidS),
  );
};

function setsS(plan: Plan, { areas }: Act): number {
  return Math.max(0, ...areas.map((area) => setsAfter(maskOn(plan, area), plan.climate).setS ?? 0));
}
