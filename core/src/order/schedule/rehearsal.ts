import {
  deedOf,
  laidAt,
  maskedAfter,
  mixOf,
  outlineOf,
  paintedOf,
  rimOf,
  techniqueOf,
  sparedBy,
  type ChoreAct,
  type PaintedStroke,
  type Pass,
  type Plan,
} from '../../document/plan';
import { footprint, grown } from '../areas';
import { oneRing, type Point } from '../../kit/geometry';
import {
  brushFor,
  brushing,
  EXCHANGES,
  lengthOf,
  type ActOf,
  type HandStroke,
  type PanelAct,
  type Simulation,
} from '../../simulation/water';
import { done, type Work } from '../../kit/units';
import { filling, type Covered } from './fill';
import { onSheet, underShields } from './on-sheet';
import { DRYER } from './table';
import type { Step, Timeline, WetSpan } from './timeline';
import { unbrushed } from './unbrushed';

/** How finely, and on which sheet of its kind. */
export interface RehearsalSetting {
  readonly cellMm: number;
  readonly seed: number;
}

/**
 * A plan as a hand would paint it, ready to be simulated: every pass in its time as strokes of a brush, masks on and
 * off when their chores say. Ends when all is dry. Passes that can never begin are not painted.
 */
export function* rehearsing(
  plan: Plan,
  timeline: Timeline,
  { cellMm, seed }: RehearsalSetting,
): Work<Simulation> {
  const { paint } = paintedOf(plan);
  const acts: PanelAct[] = [];
  for (const [index, step] of timeline.steps.entries()) {
    yield index / timeline.steps.length;
    acts.push(...(yield* actsOf(plan, timeline, step, index)));
  }
  return {
    ...paint,
    cellMm,
    seed,
    paper: plan.paper,
    climate: plan.climate,
    acts,
    stopS: Math.max(1, ...timeline.washes.map(({ untilS }) => untilS), ...acts.map(({ atS }) => atS)),
    probes: [],
  };
}

/** The same in one go. */
export const rehearse = (plan: Plan, timeline: Timeline, setting: RehearsalSetting): Simulation =>
  done(rehearsing(plan, timeline, setting));

function* actsOf(plan: Plan, { washes }: Timeline, step: Step, index: number): Work<PanelAct[]> {
  const { act, startS, endS } = step;
  if (act.kind === 'chore') return choreOnPanel(plan, act, startS, endS);
  const wet = washes.filter(({ laidS, untilS }) => laidS <= startS && startS < untilS);
  return unbrushed(plan, act, endS) ?? (yield* brushed(plan, act, index, [startS, endS], wet));
}

/** What a chore does to the panel; most do nothing to it. */
function choreOnPanel(plan: Plan, act: ChoreAct, startS: number, endS: number): PanelAct[] {
  const shapes = act.areas
    .flatMap((id) => footprint(plan, id))
    .map((region) => ({ polygon: oneRing(onSheet(plan, region)) }));
  const heat = { kind: 'heat', atS: startS, seconds: Math.max(1, endS - startS), ...DRYER } as const;
  switch (deedOf(act)) {
    case 'masks':
      return shapes.map((shape) => ({ kind: 'mask', atS: endS, shape }));
    case 'unmasks':
      return shapes.map((shape) => ({ kind: 'unmask', atS: endS, shape }));
    case 'takes-salt-off':
      return [{ kind: 'unsalt', atS: endS }];
    case 'warms':
      return shapes.length === 0 ? [heat] : shapes.map((shape) => ({ ...heat, shape }));
    default:
      return [];
  }
}

function* brushed(
  plan: Plan,
  act: Pass,
  index: number,
  [startS, endS]: readonly [fromS: number, toS: number],
  wet: readonly WetSpan[],
): Work<PanelAct[]> {
  if (act.strokes.length > 0) return act.strokes.map((stroke) => asPainted(plan, act, stroke, startS));
  const areas = act.areas.flatMap((area) => filledOf(plan, act, area, index, wet));
  const acts = paintedInStrokes(act)
    ? yield* stroked(plan, act, areas, [startS, endS])
    : yield* filling(plan, act, areas, [startS, endS]);
  return act.shields.length === 0 ? acts : underShields(plan, act, index, [startS, endS], acts);
}

/** Whether single strokes of a pass are to be seen, or paper between them. */
const paintedInStrokes = ({ technique, covers }: Pass): boolean =>
  techniqueOf(technique).strokes === true || covers < 1;

/** A pass stroke by stroke, in its time. */
function* stroked(
  plan: Plan,
  pass: Pass,
  areas: readonly Covered[],
  [startS, endS]: readonly [fromS: number, toS: number],
): Work<PanelAct[]> {
  const strokes = yield* strokesOf(plan, pass, areas);
  const total = strokes.reduce((sum, stroke) => sum + lengthOf(stroke.points), 0);
  let gone = 0;
  return strokes.map((stroke): PanelAct => {
    gone += lengthOf(stroke.points);
    const share = total > 0 ? gone / total : 1;
    return { ...strokeAct(plan, pass, stroke, share), atS: startS + share * (endS - startS) };
  });
}

/** A stroke as it is planned: with which brush and, on the sheet, what is in it. */
type PlannedStroke = HandStroke & Pick<PaintedStroke, 'brush'> & Pick<Pass, 'mix'>;

/** Which mix a pass lays at a place of the sheet. */
function mixOnSheet(plan: Plan, pass: Pass): (at: Point) => string | null {
  const [rim, laid] = [rimOf(plan), laidAt(plan, pass)];
  return ([x, y]) => laid([x - rim, y - rim]);
}

/** One area of a pass as a hand goes over it: round what is spared, and a hair off what is wet and goes round it. */
function filledOf(plan: Plan, pass: Pass, area: string, index: number, wet: readonly WetSpan[]): Covered[] {
  const masked = maskedAfter(plan.acts, index);
  // Over what lies under mask a hand goes.
  const round = sparedBy(plan, pass, area)
    .filter((spared) => !masked.has(spared))
    .flatMap((spared) => {
      const outline = onSheet(plan, outlineOf(plan, spared));
      return wet.some(({ area: wetted }) => wetted === spared) ? grown([outline], HAIR_MM) : [outline];
    });
  const whole = onSheet(plan, outlineOf(plan, area));
  const within = liesInWet(plan, area, wet) ? grown([whole], -HAIR_MM) : [];
  // What is too small to keep off by a hair is painted whole.
  return (within.length > 0 ? within : [whole]).map((outline) => ({ outline, round }));
}

/** The strokes of a pass, area by area. */
function* strokesOf(plan: Plan, pass: Pass, areas: readonly Covered[]): Work<PlannedStroke[]> {
  const mixThere = mixOnSheet(plan, pass);
  const planned: PlannedStroke[] = [];
  for (const { outline, round } of areas) {
    const brush = brushFor(outline);
    // Into wet paper a brush gives only what it exchanges, so it comes fuller.
    const filmUm = techniqueOf(pass.technique).start === 'wet' ? pass.filmUm / EXCHANGES : pass.filmUm;
    const several = pass.also.length > 0 ? { laidAt: mixThere } : {};
    for (const stroke of yield* brushing({ outline, round, brush, filmUm, ...several }))
      planned.push({ ...stroke, brush: brush.id, mix: mixThere(midway(stroke.points)) });
  }
  return planned;
}

/** What is painted while the wash round it is wet keeps so far off it, mm; nearer it bleeds on simulated paper. */
const HAIR_MM = 0.5;

/** Whether what lies wet round an area was laid round it. */
const liesInWet = (plan: Plan, area: string, wet: readonly WetSpan[]): boolean =>
  wet.some(({ act, through }) => {
    const pass = plan.acts.find(({ id }) => id === act);
    return pass?.kind === 'pass' && sparedBy(plan, pass, through).includes(area);
  });

const midway = (points: readonly (readonly [number, number, ...unknown[]])[]): Point => {
  const [x, y] = points[Math.floor(points.length / 2)];
  return [x, y];
};

/** A stroke as a hand made it on a trial sheet, in the same time after the pass begins. */
function asPainted(plan: Plan, pass: Pass, { brush, load, points }: PaintedStroke, startS: number): PanelAct {
  const rim = rimOf(plan);
  return {
    ...strokeAct(plan, pass, { points: [], load, brush, mix: laidAt(plan, pass)(midway(points)) }, 0),
    kind: 'stroke',
    atS: startS + points[0][3],
    points: points.map(([x, y, pressure, s]) => [x + rim, y + rim, pressure, startS + s]),
  };
}

function strokeAct(
  plan: Plan,
  pass: Pass,
  { points, load, brush, mix: id }: PlannedStroke,
  share: number,
): ActOf<'stroke'> {
  const mix = id === null ? null : mixOf(plan, id);
  const { fadesTo = 1 } = techniqueOf(pass.technique);
  return {
    kind: 'stroke',
    atS: 0,
    points: [...points],
    brush,
    load,
    dips: true,
    parts: mix ? mix.parts.map(({ pigment, parts }) => ({ pigment, parts })) : [],
    strength: (mix?.strength ?? 1) * (1 + (fadesTo - 1) * share),
  };
}
