import { touchingAreas } from '../areas';
import { choreOf, firstFinishing, handsOn, maskOn, type Act, type Pass, type Plan } from '../plan';
import { setsAfter } from '../masking';
import { sequence, sequenceRequestSchema, type Lag } from '../sequencing';
import type { Work } from '../units';
import { dryAt, reachedAt } from './table';
import { layOut, type Timeline } from './timeline';

/** Another order of the same acts that ends sooner; `null` where none is found. */
export interface BetterOrder {
  readonly plan: Plan;
  /** Acts by their ids, all of them. */
  readonly order: readonly string[];
  readonly beforeS: number;
  readonly afterS: number;
}

/** No act has such an id. */
const ALL_DRY = '·';

/** A gain smaller than this is not worth another order, s. */
const WORTH_S = 60;

/**
 * Puts the acts of painting in the order that ends first, as the sequencer finds it: what touches keeps its order and its
 * drying, what goes into the wet goes in while it shines, the rest fills the waits. Finishing stays as it is. The order is laid
 * out again by the plan's own clocks, and given only where it really ends sooner.
 */
export function* inOrder(plan: Plan): Work<BetterOrder | null> {
  const timeline = layOut(plan);
  const acts = plan.acts.slice(0, firstFinishing(plan));
  if (timeline.never.length > 0 || acts.length < 2) return null;
  const lags = acts.flatMap((to, j) =>
    acts.slice(0, j).flatMap((from): Lag[] => {
      const lag = between(plan, timeline, from, to);
      return lag ? [{ from: from.id, to: to.id, fromEdge: 'end', ...lag }] : [];
    }),
  );
  // Finishing waits until all is dry, so that is what ends last.
  const dries = acts.map((act): Lag => ({
    ...{ from: act.id, to: ALL_DRY, fromEdge: 'end' },
    minS: driesAfter(timeline, act),
  }));
  const request = sequenceRequestSchema.parse({
    tasks: [...acts.map((act) => ({ id: act.id, handsS: handsOn(plan, act) })), { id: ALL_DRY, handsS: 0 }],
    lags: [...lags, ...dries],
  });
  const { feasible, tasks } = yield* sequence(request);
  if (!feasible) return null;
  const startOf = new Map(tasks.map(({ id, startS }) => [id, startS]));
  const ordered = [...acts].sort((a, b) => startOf.get(a.id)! - startOf.get(b.id)!);
  const better = { ...plan, acts: [...ordered, ...plan.acts.slice(acts.length)] };
  const afterS = layOut(better).endS;
  return timeline.endS - afterS < WORTH_S
    ? null
    : { plan: better, order: better.acts.map(({ id }) => id), beforeS: timeline.endS, afterS };
}

/** What must lie between an act and a later one, from its end to the other's start; `null` where they have nothing to do with each other. */
function between(plan: Plan, timeline: Timeline, from: Act, to: Act): Pick<Lag, 'minS' | 'maxS'> | null {
  const waitS = from.kind === 'chore' ? choreOf(from.chore).waitS : 0;
  const whole = (act: Act): boolean => act.kind === 'chore' && act.areas.length === 0;
  if (whole(from)) return { minS: waitS };
  if (whole(to))
    return { minS: to.kind === 'chore' && choreOf(to.chore).needsDry ? driesAfter(timeline, from) : waitS };
  if (touchingAreas(plan, to.areas, from.areas).length === 0) return null;
  if (from.kind === 'chore') return { minS: from.chore === 'mask-on' ? setsS(plan, from) : waitS };
  if (to.kind === 'pass' && to.start !== 'when-dry') return intoTheWet(timeline, from, to);
  return { minS: driesAfter(timeline, from) };
}

/** How long after its end all that an act has wetted is dry, s; 0 for what wets nothing. */
function driesAfter({ washes }: Timeline, act: Act): number {
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
  const dried = met.some((wash) => wash.untilS >= (dryAt(wash) ?? Infinity));
  return { minS: dried ? driesAfter(timeline, from) : 0 };
}

function setsS(plan: Plan, { areas }: Act): number {
  return Math.max(0, ...areas.map((area) => setsAfter(maskOn(plan, area), plan.climate).setS ?? 0));
}
