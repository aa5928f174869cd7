import { deedOf, choreOf, handsOn, type Act, type Plan, type Sitting } from '../../document/plan';
import {
  afterAct,
  CLEAR_TABLE,
  dryAt,
  paperReady,
  stageAt,
  waitFor,
  washAt,
  washesOn,
  type LaidWash,
  type Table,
} from '../schedule';
import type { Stage } from '../../simulation/water';

/** One wet area on the table now. */
export interface WetNow {
  readonly area: string;
  readonly stage: Stage;
  readonly filmUm: number;
  readonly paperGm2: number;
  /** Seconds to touch dry; `null` = never in this air. */
  readonly leftS: number | null;
  readonly wash: LaidWash;
}

export interface MaskNow {
  readonly area: string;
  readonly onForS: number;
  readonly setInS: number | null;
}

/** Where a sitting stands at a moment. */
export interface SittingNow {
  readonly atS: number;
  readonly doneCount: number;
  /** The act to do next; `null` when all are done. */
  readonly act: Act | null;
  /** Seconds until the paper is ready for it; 0 = now, `null` = never. */
  readonly waitS: number | null;
  readonly waitArea: string | null;
  readonly waitFor: 'wash' | 'mask' | null;
  readonly wet: readonly WetNow[];
  readonly masks: readonly MaskNow[];
  /** Later acts that touch nothing wet, to fill a wait. */
  readonly meanwhile: readonly Act[];
  readonly handsOnS: number;
}

/** “Still wet” when the clock had run out: it takes at least a tenth longer than it has taken so far. */
const STILL_WET_STRETCH = 1.1;

/** What a look teaches later washes is kept within this; beyond it something else was meant. */
const FACTOR_RANGE: readonly [number, number] = [0.2, 5];

/** The table as the events of a sitting left it; worked out once an event, not once a second. */
export interface SittingReplay {
  readonly startedMs: number;
  /** When the last event was, s from the start. */
  readonly lastEventS: number;
  readonly table: Table;
  readonly done: ReadonlySet<string>;
  readonly handsOnS: number;
}

/** A sitting with its clocks run on to `now` (ms since the epoch). */
export function sittingAt(plan: Plan, replay: SittingReplay, now: number): SittingNow {
  const { table, done, handsOnS } = replay;
  // A clock that ticks twice a second may lag behind a press; it is never earlier than what has happened.
  const atS = Math.max(replay.lastEventS, (now - replay.startedMs) / 1000);
  const open = plan.acts.filter((act) => !done.has(act.id));
  const act = open.at(0) ?? null;
  const wait = act ? waitFor(plan, act, table) : { untilS: 0, area: null, what: null };
  const untilS = wait.untilS === null ? null : Math.max(wait.untilS, table.freeS);
  return {
    atS,
    doneCount: done.size,
    act,
    waitS: untilS === null ? null : Math.max(0, untilS - atS),
    waitArea: wait.area,
    waitFor: wait.what,
    wet: slowestByArea(table)
      .map((wash) => wetNow(wash, atS))
      .filter(({ stage }) => stage !== 'dry'),
    masks: [...table.masks.values()].map(({ area, onS, setS }) => ({
      area,
      onForS: atS - onS,
      setInS: setS === null ? null : Math.max(0, setS - atS),
    })),
    meanwhile: open.slice(1).filter((later) => fillsAWait(plan, later, table, atS)),
    handsOnS,
  };
}

/** Goes through what happened, act by act and look by look. Acts the plan no longer has are passed over. */
export function replaySitting(plan: Plan, sitting: Sitting): SittingReplay {
  const startedMs = Date.parse(sitting.startedAt);
  let table = CLEAR_TABLE;
  let factor = 1;
  let handsOnS = 0;
  let lastEventS = 0;
  const done = new Set<string>();
  for (const event of sitting.events) {
    const atS = (Date.parse(event.at) - startedMs) / 1000;
    lastEventS = Math.max(lastEventS, atS);
    if (event.kind === 'done') {
      const act = plan.acts.find((a) => a.id === event.act);
      if (!act || done.has(act.id)) continue;
      // Nobody presses a button to begin: hands were on it for as long as it takes, or since the act before.
      handsOnS += Math.min(handsOn(plan, act), Math.max(0, atS - table.freeS));
      table = afterAct(plan, act, table, atS, factor);
      done.add(act.id);
    }
    if (event.area && (event.kind === 'still-wet' || event.kind === 'dry-now')) {
      const looked = afterLook(table, event.area, atS, event.kind);
      table = looked.table;
      factor = looked.factor ?? factor;
    }
  }
  return { startedMs, lastEventS, table, done, handsOnS };
}

/** The table after a look at one area: its mask's clock or its wash's is corrected; a wash teaches its pace to later ones. */
function afterLook(
  table: Table,
  area: string,
  atS: number,
  kind: 'still-wet' | 'dry-now',
): { table: Table; factor?: number } {
  const mask = table.masks.get(area);
  if (mask) {
    const setS =
      kind === 'dry-now'
        ? atS
        : mask.onS + Math.max((mask.setS ?? 0) - mask.onS, (atS - mask.onS) * STILL_WET_STRETCH);
    return { table: { ...table, masks: new Map(table.masks).set(area, { ...mask, setS }) } };
  }
  const wash = slowestByArea(table).find((laid) => laid.area === area);
  if (!wash) return { table };
  const pace = paceOf(wash, atS);
  if (kind === 'dry-now') {
    const left = [...table.washed].filter(([, patch]) => patch.wash.area !== area);
    return { table: { ...table, washed: new Map(left) }, factor: pace };
  }
  const factor = Math.max(wash.factor, (pace ?? wash.factor) * STILL_WET_STRETCH);
  const slower = new Map(
    [...washesOn(table).keys()].map((laid) => [laid, laid.area === area ? { ...laid, factor } : laid]),
  );
  const washed = new Map(
    [...table.washed].map(([index, patch]) => [index, { ...patch, wash: slower.get(patch.wash)! }]),
  );
  return { table: { ...table, washed }, factor };
}

/** Of the washes laid through each area the one that is dry last: one that lies partly on damp paper dries later there. */
function slowestByArea(table: Table): LaidWash[] {
  const slowest = new Map<string, LaidWash>();
  for (const wash of washesOn(table).keys()) {
    const other = slowest.get(wash.area);
    if (!other || (dryAt(wash) ?? Infinity) > (dryAt(other) ?? Infinity)) slowest.set(wash.area, wash);
  }
  return [...slowest.values()];
}

/** How long a wash has taken so far against its computed time, within reason; none where it never dries in this air. */
function paceOf(wash: LaidWash, atS: number): number | undefined {
  const { coolEndS } = wash.course.stages;
  if (coolEndS === null || coolEndS === 0) return undefined;
  return Math.min(FACTOR_RANGE[1], Math.max(FACTOR_RANGE[0], (atS - wash.laidS) / coolEndS));
}

function wetNow(wash: LaidWash, atS: number): WetNow {
  const { filmUm, paperGm2 } = washAt(wash, atS);
  const end = dryAt(wash);
  return {
    area: wash.area,
    stage: stageAt(wash, atS),
    filmUm,
    paperGm2,
    leftS: end === null ? null : Math.max(0, end - atS),
    wash,
  };
}

function fillsAWait(plan: Plan, act: Act, table: Table, atS: number): boolean {
  if (act.kind === 'chore' && (deedOf(act) === 'unmasks' || choreOf(act.chore).gate !== undefined))
    return false;
  if (act.kind === 'chore' && choreOf(act.chore).finishing && act.chore !== 'letter') return false;
  const { untilS } = paperReady(plan, act, table);
  return untilS !== null && untilS <= atS;
}
