import {
  nearPatches,
  patchesIn,
  patchesOf,
  patchesParted,
  reachedBy,
  touchingAreas,
  type Patch,
} from '../areas';
import { setsAfter } from '../../drawing/masking';
import {
  deedOf,
  choreOf,
  handsOn,
  isPaintedRound,
  maskOn,
  planPaper,
  sparedBy,
  techniqueOf,
  type Act,
  type AWAITED,
  type ChoreAct,
  type Pass,
  type Plan,
} from '../../document/plan';
import { dry, stageOf, waterAt, type DryingCourse, type Stage } from '../../simulation/water';

/** A wash on the table. Its clock runs `factor` times as long as computed, once the painter has looked. */
export interface LaidWash {
  /** The area of its pass through which it came. */
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

/** A patch with a wash on it, wet or dry by now. */
export interface WashedPatch {
  readonly index: number;
  /** The areas and freehand masks it lies in. */
  readonly under: readonly string[];
  readonly mm2: number;
  /** Patches on which the same was laid have one and the same wash. */
  readonly wash: LaidWash;
}

/** What lies wet or masked on the panel, and when the hands are next free. Times in s from the start. */
export interface Table {
  /** By the indices of the patches. */
  readonly washed: ReadonlyMap<number, WashedPatch>;
  readonly masks: ReadonlyMap<string, LaidMask>;
  readonly freeS: number;
}

export const CLEAR_TABLE: Table = { washed: new Map(), masks: new Map(), freeS: 0 };

/** Every wash of a table once, with the patches it lies on. */
export function washesOn({ washed }: Pick<Table, 'washed'>): ReadonlyMap<LaidWash, readonly WashedPatch[]> {
  const washes = new Map<LaidWash, WashedPatch[]>();
  for (const patch of washed.values()) {
    const others = washes.get(patch.wash);
    if (others) others.push(patch);
    else washes.set(patch.wash, [patch]);
  }
  return washes;
}

/** The wash that lies on most of each area, of what is washed of it. */
export function mainWashes({ washed }: Pick<Table, 'washed'>): ReadonlyMap<string, LaidWash> {
  // Asked for after every act: washes are few, and numbered once.
  const numbers = new Map<LaidWash, number>();
  const shares = new Map<string, number[]>();
  for (const { under, mm2, wash } of washed.values()) {
    let number = numbers.get(wash);
    if (number === undefined) numbers.set(wash, (number = numbers.size));
    for (const area of under) {
      let share = shares.get(area);
      if (share === undefined) shares.set(area, (share = []));
      share[number] = (share[number] ?? 0) + mm2;
    }
  }
  const washes = [...numbers.keys()];
  return new Map([...shares].map(([area, share]) => [area, washes[indexOfMost(share)]]));
}

/** The place of the largest number of a list with gaps, the first of several. */
function indexOfMost(list: readonly number[]): number {
  let most = -1;
  list.forEach((value, i) => {
    if (most < 0 || value > list[most]) most = i;
  });
  return most;
}

/** The same of one area; none where nothing of it was washed. */
export const mainWash = (table: Pick<Table, 'washed'>, area: string): LaidWash | undefined =>
  mainWashes(table).get(area);

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
  const masked = [...table.masks.keys()];
  if (act.kind === 'chore') {
    const { needsDry, needsMatt } = choreOf(act.chore);
    const whole = act.areas.length === 0;
    const there = whole ? [...washesOn(table).keys()] : lyingOn(table, act.areas);
    if (needsMatt) return latest(table, there, [], (wash) => reachedAt(wash, 'damp'));
    if (whole) return needsDry ? latest(table, there, []) : NO_WAIT;
  }
  return latest(table, [...touchedBy(plan, act, table).keys()], touchingAreas(plan, act.areas, masked));
}

/** The washes that lie on any of some areas. */
const lyingOn = (table: Table, areas: readonly string[]): LaidWash[] =>
  [...washesOn(table)].flatMap(([wash, patches]) =>
    patches.some(({ under }) => areas.some((area) => under.includes(area))) ? [wash] : [],
  );

/** The patches an act comes to, each with the area through which: those a pass wets, or all of the areas of a chore. */
export const comesTo = (plan: Plan, act: Act, { masks }: Pick<Table, 'masks'>): ReadonlyMap<Patch, string> =>
  act.kind === 'pass'
    ? reachedBy(plan, act, (id) => masks.has(id))
    : new Map(act.areas.flatMap((area) => patchesIn(plan, area).map((patch) => [patch, area] as const)));

/**
 * How an act comes to a wash: into it, beside it so near that water goes over, or round it (or it was laid round the act's
 * area), with a hair of dry paper kept between.
 */
export type Touch = 'into' | 'beside' | 'round';

/**
 * The washes an act touches: those on its own patches, and those on patches near them, with no barrier between. Where it goes
 * into a wash it does not also come beside the rest of it.
 */
export function touchedBy(plan: Plan, act: Act, table: Table): ReadonlyMap<LaidWash, Touch> {
  const own = comesTo(plan, act, table);
  const touched = new Map<LaidWash, Touch>();
  for (const { index } of own.keys()) {
    const there = table.washed.get(index);
    if (there) touched.set(there.wash, 'into');
  }
  const [patches, near, barriers] = [patchesOf(plan), nearPatches(plan), [...table.masks.keys()]];
  const isRound = goingRound(plan, act);
  for (const [patch, through] of own)
    for (const index of near[patch.index]) {
      const there = table.washed.get(index);
      if (!there || touched.get(there.wash) === 'into' || touched.get(there.wash) === 'beside') continue;
      if (patchesParted(plan, patch, patches[index], barriers)) continue;
      touched.set(there.wash, isRound(through, there) ? 'round' : 'beside');
    }
  return touched;
}

/** Whether what an act paints and what lies on a patch go round each other: either spares the other. */
function goingRound(plan: Plan, act: Act): (through: string, there: WashedPatch) => boolean {
  const spares = (pass: Act): boolean =>
    pass.kind === 'pass' && pass.spares !== null && pass.spares.length > 0;
  // Where nothing is spared, nobody need be asked.
  if (!plan.whites.some(({ way }) => isPaintedRound(way)) && !plan.acts.some(spares)) return () => false;
  const passes = new Map(plan.acts.map((pass) => [pass.id, pass]));
  const bySpared = new Map<string, readonly string[]>();
  const spared = (pass: Act | undefined, area: string): readonly string[] => {
    if (pass?.kind !== 'pass') return [];
    const key = `${pass.id} ${area}`;
    const found = bySpared.get(key) ?? sparedBy(plan, pass, area);
    bySpared.set(key, found);
    return found;
  };
  return (through, { under, wash }) =>
    spared(passes.get(wash.act), wash.area).includes(through) ||
    spared(act, through).some((area) => under.includes(area));
}

function latest(
  table: Table,
  washes: readonly LaidWash[],
  masks: readonly string[],
  readyAt: (wash: LaidWash) => number | null = dryAt,
): Wait {
  const waits: Wait[] = [
    ...washes.map((wash) => ({ untilS: readyAt(wash), area: wash.area, what: 'wash' as const })),
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
  const touched = [...touchedBy(plan, act, table)].flatMap(([wash, how]) => (how === 'round' ? [] : [wash]));
  return latest(table, touched, [], (wash) => reachedAt(wash, stage));
}

/** The table after an act that ended at `endS`; water on water adds up. */
export function afterAct(plan: Plan, act: Act, table: Table, endS: number, factor = 1): Table {
  if (act.kind === 'pass') {
    if (techniqueOf(act.technique).wets === false) return { ...table, freeS: endS };
    return { ...table, washed: afterPass(plan, act, table, endS, factor), freeS: endS };
  }
  if (deedOf(act) === 'warms') return { ...table, washed: warmed(plan, act, table, endS), freeS: endS };
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

/** Water laid on every patch a pass comes to; where the same lay before, the same lies after. */
function afterPass(
  plan: Plan,
  pass: Pass,
  { washed, masks }: Table,
  laidS: number,
  factor: number,
): Map<number, WashedPatch> {
  const after = new Map(washed);
  const laid = new Map<string, Map<LaidWash | undefined, LaidWash>>();
  for (const [patch, through] of reachedBy(plan, pass, (id) => masks.has(id))) {
    const below = washed.get(patch.index)?.wash;
    const known = laid.get(through) ?? new Map<LaidWash | undefined, LaidWash>();
    laid.set(through, known);
    const wash = known.get(below) ?? {
      ...{ area: through, act: pass.id, laidS, factor },
      ...laidOver(plan, below, pass.filmUm, laidS),
    };
    known.set(below, wash);
    const { index, under, mm2 } = patch;
    after.set(index, { index, under, mm2, wash });
  }
  return after;
}

function laidOver(
  plan: Plan,
  below: LaidWash | undefined,
  addedUm: number,
  laidS: number,
): Pick<LaidWash, 'filmUm' | 'course'> {
  const left = below ? washAt(below, laidS) : { filmUm: 0, paperGm2: 0 };
  const filmUm = left.filmUm + addedUm;
  return { filmUm, course: courseOf(plan, filmUm, left.paperGm2) };
}

/** Washes that differ by less than this dry alike, g/m². */
const ALIKE_GM2 = 0.25;

/** Courses by paper, air and water: places with the same history, and most of a card that was changed a little, share them. */
const courses = new Map<string, DryingCourse>();
const MOST_COURSES = 4000;

function courseOf(plan: Plan, filmUm: number, paperGm2: number): DryingCourse {
  const paper = planPaper(plan);
  const { tempC, rh, airMs } = plan.climate;
  const water = ALIKE_GM2 * Math.round(paperGm2 / ALIKE_GM2);
  const key = [paper.capacityGm2, paper.uptake, tempC, rh, airMs, filmUm.toFixed(1), water].join(' ');
  const known = courses.get(key);
  if (known) return known;
  const course = dry({
    paper,
    filmUm: Number(filmUm.toFixed(1)),
    paperWaterGm2: water,
    climate: plan.climate,
  });
  if (courses.size >= MOST_COURSES) courses.clear();
  courses.set(key, course);
  return course;
}

/** What is wet begins a course of its own under the dryer, and goes on by itself when it is put down. */
function warmed(plan: Plan, act: ChoreAct, table: Table, endS: number): Map<number, WashedPatch> {
  const seconds = handsOn(plan, act);
  const laidS = endS - seconds;
  const isReached = ({ under }: WashedPatch): boolean =>
    seconds > 0 && (act.areas.length === 0 || act.areas.some((area) => under.includes(area)));
  const warm = new Map<LaidWash, LaidWash>();
  const { climate } = plan;
  const heatTool = { ...DRYER, fromS: 0, seconds };
  return new Map(
    [...table.washed].map(([index, patch]) => {
      if (!isReached(patch)) return [index, patch];
      const { filmUm, paperGm2: paperWaterGm2 } = washAt(patch.wash, laidS);
      const wash = warm.get(patch.wash) ?? {
        ...{ ...patch.wash, laidS, filmUm },
        course: dry({ paper: planPaper(plan), filmUm, paperWaterGm2, climate, heatTool }),
      };
      warm.set(patch.wash, wash);
      return [index, { ...patch, wash }];
    }),
  );
}

/** A hair dryer an arm's length off: the air at the paper, m/s and °C. */
export const DRYER = { airMs: 5, airTempC: 60 };
