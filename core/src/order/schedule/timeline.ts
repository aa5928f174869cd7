import { handsOn, type Act, type Plan } from '../../document/plan';
import { done, type Work } from '../../kit/units';
import {
  afterAct,
  CLEAR_TABLE,
  dryAt,
  waitFor,
  mainWashes,
  type LaidMask,
  type LaidWash,
  type Table,
} from './table';

/** One act in its time, with the table as it finds it. */
export interface Step {
  readonly act: Act;
  readonly startS: number;
  readonly endS: number;
  /** The area the hands waited for, and since when they were free; `null` when they did not wait. */
  readonly waited: { readonly area: string | null; readonly fromS: number } | null;
  readonly before: Table;
}

/** The water on most of an area, from laying until it is dry or wetted again. */
export interface WetSpan extends LaidWash {
  /** The area whose paper is wet, by whatever pass. */
  readonly area: string;
  /** The area of that pass through which the water came. */
  readonly through: string;
  readonly untilS: number;
}

export interface MaskSpan extends LaidMask {
  /** When it comes off; `null` while it stays on. */
  readonly offS: number | null;
}

/** The acts of a plan one after another in the painter's order, each as early as its start allows. */
export interface Timeline {
  readonly steps: readonly Step[];
  /** Acts that can never begin, since what they wait for never dries in this air. */
  readonly never: readonly string[];
  readonly washes: readonly WetSpan[];
  readonly masks: readonly MaskSpan[];
  /** When the last act is done and all is dry, s. */
  readonly endS: number;
}

/**
 * Works the order of acts out in time, one pair of hands, from the 0-D drying of each area; on a day on which everything dries
 * `factor` times as slowly, acts that wait for a stage still wait for what is then seen.
 */
export function* layingOut(plan: Plan, factor = 1): Work<Timeline> {
  const steps: Step[] = [];
  const spans: WetSpan[] = [];
  const masks: MaskSpan[] = [];
  let table = CLEAR_TABLE;
  let main = mainWashes(table);
  for (const [i, act] of plan.acts.entries()) {
    yield i / plan.acts.length;
    const wait = waitFor(plan, act, table);
    if (wait.untilS === null) break;
    const startS = Math.max(table.freeS, wait.untilS);
    const endS = startS + handsOn(plan, act);
    const waited = startS > table.freeS ? { area: wait.area, fromS: table.freeS } : null;
    steps.push({ act, startS, endS, waited, before: table });
    const next = afterAct(plan, act, table, endS, factor);
    const lying = mainWashes(next);
    for (const { id } of plan.areas) {
      const [old, wash] = [main.get(id), lying.get(id)];
      if (old && wash && old !== wash)
        spans.push(spanOf(id, old, Math.min(wash.laidS, dryAt(old) ?? wash.laidS)));
    }
    main = lying;
    for (const [area, mask] of table.masks) if (!next.masks.has(area)) masks.push({ ...mask, offS: endS });
    table = next;
  }
  for (const { id } of plan.areas) {
    const wash = main.get(id);
    if (wash) spans.push(spanOf(id, wash, dryAt(wash) ?? lastKept(wash)));
  }
  for (const mask of table.masks.values()) masks.push({ ...mask, offS: null });
  return {
    steps,
    never: plan.acts.slice(steps.length).map((act) => act.id),
    washes: spans,
    masks,
    endS: Math.max(table.freeS, ...spans.map((span) => span.untilS)),
  };
}

/** The same in one go. */
export const layOut = (plan: Plan, factor = 1): Timeline => done(layingOut(plan, factor));

const spanOf = (area: string, wash: LaidWash, untilS: number): WetSpan => ({
  ...wash,
  area,
  through: wash.area,
  untilS,
});

/** Where a course that never dries stops being followed. */
const lastKept = (wash: LaidWash): number => wash.laidS + wash.course.atS.at(-1)!;
