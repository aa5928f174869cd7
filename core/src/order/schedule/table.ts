import { touchingAreas } from '../areas';
import { setsAfter } from '../../drawing/masking';
import {
  deedOf,
  choreOf,
  handsOn,
  maskOn,
  planPaper,
  techniqueOf,
  type Act,
  type AWAITED,
  type ChoreAct,
  type Plan,
} from '../../document/plan';
import { dry, stageOf, waterAt, type DryingCourse, type Stage } from '../../simulation/water';

/** A wash on the table. Its clock runs `factor` times as long as computed, once the painter has looked. */
export interface LaidWash {
  readonly area: string;
  readonly act: string;
  readonly laidS: number;
  /** All water standing there when laid, µm. */
  readonly filmUm: number;
  readonly course: DryingCourse;
  readonly factor: number;
}

/** Masking fluid on an area; `setS` is when it bears a brush, `null` never in this air. */
export interface LaidMask {
  readonly area: string;
  readonly onS: number;
  readonly setS: number | null;
}

/** What lies wet or masked on the panel, and when the hands are next free. Times in s from the start. */
export interface Table {
  readonly washes: ReadonlyMap<string, LaidWash>;
  readonly masks: ReadonlyMap<string, LaidMask>;
  readonly freeS: number;
}

export const CLEAR_TABLE: Table = { washes: new Map(), masks: new Map(), freeS: 0 };

/** When a wash is dry to the touch, s from the start; `null` = never in this air. */
export function dryAt({ laidS, course, factor }: LaidWash): number | null {
  const { coolEndS } = course.stages;
  return coolEndS === null ? null : laidS + coolEndS * factor;
}

/** Water of a wash at a time of the table. */
export const washAt = (wash: LaidWash, atS: number): { filmUm: number; paperGm2: number } =>
  waterAt(wash.course, (atS - wash.laidS) / wash.factor);

/** When a wash has come to a stage on its way to dry, s from the start; `null` = never in this air. */
export function reachedAt(wash: LaidWash, stage: (typeof AWAITED)[number]): number | null {
  const { puddledEndS, shinyEndS, satinEndS, dampEndS } = wash.course.stages;
  const ends = { shiny: puddledEndS, satin: shinyEndS, damp: satinEndS, cool: dampEndS }[stage];
  return ends === null ? null : wash.laidS + ends * wash.factor;
}

/** Two times closer than this are the same moment, s: sums of times carry rounding. */
const SAME_MOMENT_S = 1e-6;

/** The stage of a wash at a time of the table. */
export function stageAt(wash: LaidWash, atS: number): Stage {
  const dryS = dryAt(wash);
  if (dryS !== null && atS >= dryS - SAME_MOMENT_S) return 'dry';
  const { filmUm, paperGm2 } = washAt(wash, atS + SAME_MOMENT_S);
  return stageOf(filmUm, paperGm2);
}

/** What holds an act up: until when (`null` = for ever) and the area whose water or mask it is. */
export interface Wait {
  readonly untilS: number | null;
  readonly area: string | null;
  /** Whether the area's wash or the mask on it is waited for. */
  readonly what: 'wash' | 'mask' | null;
}

const NO_WAIT: Wait = { untilS: 0, area: null, what: null };

/** What the paper asks for before an act, whatever the painter has chosen. */
export function paperReady(plan: Plan, act: Act, table: Table): Wait {
  const wet = [...table.washes.keys()];
  const masked = [...table.masks.keys()];
  if (act.kind === 'chore') {
    const { needsDry, needsMatt } = choreOf(act.chore);
    const whole = act.areas.length === 0;
    if (needsMatt) return latest(table, whole ? wet : [...act.areas], [], (wash) => reachedAt(wash, 'damp'));
    if (whole) return needsDry ? latest(table, wet, []) : NO_WAIT;
  }
  return latest(table, touchingAreas(plan, act.areas, wet, masked), touchingAreas(plan, act.areas, masked));
}

function latest(
  table: Table,
  washes: readonly string[],
  masks: readonly string[],
  readyAt: (wash: LaidWash) => number | null = dryAt,
): Wait {
  const waits: Wait[] = [
    ...washes.flatMap((area) => {
      const wash = table.washes.get(area);
      return wash ? [{ untilS: readyAt(wash), area, what: 'wash' as const }] : [];
    }),
    ...masks.map((area) => ({ untilS: table.masks.get(area)!.setS, area, what: 'mask' as const })),
  ];
  return waits.reduce(longer, NO_WAIT);
}

const longer = (a: Wait, b: Wait): Wait => ((b.untilS ?? Infinity) > (a.untilS ?? Infinity) ? b : a);

/** What an act really waits for: the paper, unless the painter said straight on or a time. */
export function waitFor(plan: Plan, act: Act, table: Table): Wait {
  if (act.kind === 'chore' || act.start === 'when-dry') return paperReady(plan, act, table);
  if (act.start === 'straight-on') return NO_WAIT;
  if ('atS' in act.start) return { ...NO_WAIT, untilS: act.start.atS };
  const { stage } = act.start;
  const wet = touchingAreas(plan, act.areas, [...table.washes.keys()], [...table.masks.keys()]);
  return latest(table, wet, [], (wash) => reachedAt(wash, stage));
}

/** The table after an act that ended at `endS`; water on water adds up. */
export function afterAct(plan: Plan, act: Act, table: Table, endS: number, factor = 1): Table {
  if (act.kind === 'pass') {
    if (techniqueOf(act.technique).wets === false) return { ...table, freeS: endS };
    const washes = new Map(table.washes);
    for (const area of act.areas)
      if (!table.masks.has(area))
        washes.set(area, layWash(plan, area, act.id, act.filmUm, table, endS, factor));
    return { ...table, washes, freeS: endS };
  }
  if (deedOf(act) === 'warms') return { ...table, washes: warmed(plan, act, table, endS), freeS: endS };
  const masks = new Map(table.masks);
  if (deedOf(act) === 'masks') {
    for (const area of act.areas) {
      const { setS } = setsAfter(maskOn(plan, area), plan.climate);
      masks.set(area, { area, onS: endS, setS: setS === null ? null : endS + setS });
    }
  }
  if (deedOf(act) === 'unmasks') act.areas.forEach((area) => masks.delete(area));
  return { ...table, masks, freeS: endS + choreOf(act.chore).waitS };
}

function layWash(
  plan: Plan,
  area: string,
  act: string,
  addedUm: number,
  table: Table,
  endS: number,
  factor: number,
): LaidWash {
  const below = table.washes.get(area);
  const left = below ? washAt(below, endS) : { filmUm: 0, paperGm2: 0 };
  const filmUm = left.filmUm + addedUm;
  const course = dry({ paper: planPaper(plan), filmUm, paperWaterGm2: left.paperGm2, climate: plan.climate });
  return { area, act, laidS: endS, filmUm, course, factor };
}

/** What is wet begins a course of its own under the dryer, and goes on by itself when it is put down. */
function warmed(plan: Plan, act: ChoreAct, table: Table, endS: number): Map<string, LaidWash> {
  const seconds = handsOn(plan, act);
  const laidS = endS - seconds;
  const reached = act.areas.length === 0 ? [...table.washes.keys()] : act.areas;
  return new Map(
    [...table.washes].map(([area, wash]) => {
      if (!reached.includes(area) || seconds === 0) return [area, wash];
      const { filmUm, paperGm2: paperWaterGm2 } = washAt(wash, laidS);
      const { climate } = plan;
      const course = dry({
        paper: planPaper(plan),
        filmUm,
        paperWaterGm2,
        climate,
        heatTool: { ...DRYER, fromS: 0, seconds },
      });
      return [area, { ...wash, laidS, filmUm, course }];
    }),
  );
}

/** A hair dryer an arm's length off: the air at the paper, m/s and °C. */
export const DRYER = { airMs: 5, airTempC: 60 };
