import { findingPatches } from '../areas';
import { handsOn, type Act, type Plan } from '../../document/plan';
import { asPart, done, type Work } from '../../kit/units';
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
import { windowOf, type Window } from './windows';

/** When a pass may go into the wash that lies on most of one of its areas. */
export interface AreaWindow extends Window {
  readonly area: string;
}

/** One act in its time. */
export interface Step {
  readonly act: Act;
  readonly startS: number;
  readonly endS: number;
  /** The area the hands waited for, and since when they were free; `null` when they did not wait. */
  readonly waited: { readonly area: string | null; readonly fromS: number } | null;
  /** The windows of a pass that goes into the wet, as its areas lie when it begins. */
  readonly windows: readonly AreaWindow[];
}

/** The same with the table as the act finds it. */
export interface StepAtTable extends Step {
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

/** The same with its tables: every patch of the sheet before every act, too much to be sent about. */
export interface TimelineAtTable extends Timeline {
  readonly steps: readonly StepAtTable[];
}

/** A timeline without its tables. */
export const withoutTables = ({ steps, ...timeline }: TimelineAtTable): Timeline => ({
  ...timeline,
  steps: steps.map(({ act, startS, endS, waited, windows }) => ({ act, startS, endS, waited, windows })),
});

/**
 * Works the order of acts out in time, one pair of hands, from the 0-D drying of each area; on a day on which everything dries
 * `factor` times as slowly, acts that wait for a stage still wait for what is then seen.
 */
export function* layingOut(plan: Plan, factor = 1): Work<TimelineAtTable> {
  yield* asPart(findingPatches(plan), 0, 0);
  const steps: StepAtTable[] = [];
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
    steps.push({ act, startS, endS, waited, windows: windowsOf(act, main), before: table });
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
export const layOut = (plan: Plan, factor = 1): TimelineAtTable => done(layingOut(plan, factor));

/** The table as the acts that are done by a time, s, leave it. */
export function tableAt(plan: Plan, { steps }: TimelineAtTable, atS: number): Table {
  const last = steps.findLast(({ endS }) => endS <= atS);
  return last ? afterAct(plan, last.act, last.before, last.endS) : CLEAR_TABLE;
}

const windowsOf = (act: Act, main: ReadonlyMap<string, LaidWash>): AreaWindow[] =>
  act.kind === 'chore'
    ? []
    : act.areas.flatMap((area) => {
        const wash = main.get(area);
        const window = wash ? windowOf(act.technique, wash) : null;
        return window ? [{ area, ...window }] : [];
      });

const spanOf = (area: string, wash: LaidWash, untilS: number): WetSpan => ({
  ...wash,
  area,
  through: wash.area,
  untilS,
});

/** Where a course that never dries stops being followed. */
const lastKept = (wash: LaidWash): number => wash.laidS + wash.course.atS.at(-1)!;
