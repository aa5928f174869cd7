import {
  deedOf,
  laidAt,
  maskedAfter,
  mixOf,
  outlineOf,
  paintedOf,
  rimOf,
  techniqueOf,
  whitesRound,
  type ChoreAct,
  type PaintedStroke,
  type Pass,
  type Plan,
} from '../../document/plan';
import { footprint } from '../areas';
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
import { onSheet, underShields } from './on-sheet';
import { DRYER } from './table';
import type { Step, Timeline } from './timeline';
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
    acts.push(...(yield* actsOf(plan, step, index)));
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

function* actsOf(plan: Plan, step: Step, index: number): Work<PanelAct[]> {
  const { act, startS, endS } = step;
  if (act.kind === 'chore') return choreOnPanel(plan, act, startS, endS);
  return unbrushed(plan, act, endS) ?? (yield* brushed(plan, act, index, [startS, endS]));
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
): Work<PanelAct[]> {
  if (act.strokes.length > 0) return act.strokes.map((stroke) => asPainted(plan, act, stroke, startS));
  const strokes = yield* strokesOf(plan, act, index);
  const total = strokes.reduce((sum, stroke) => sum + lengthOf(stroke.points), 0);
  let gone = 0;
  const acts = strokes.map((stroke): PanelAct => {
    gone += lengthOf(stroke.points);
    const share = total > 0 ? gone / total : 1;
    return { ...strokeAct(plan, act, stroke, share), atS: startS + share * (endS - startS) };
  });
  return act.shields.length === 0 ? acts : underShields(plan, act, index, [startS, endS], acts);
}

/** A stroke as it is planned: with which brush and, on the sheet, what is in it. */
type PlannedStroke = HandStroke & Pick<PaintedStroke, 'brush'> & Pick<Pass, 'mix'>;

/** Which mix a pass lays at a place of the sheet. */
function mixOnSheet(plan: Plan, pass: Pass): (at: Point) => string | null {
  const [rim, laid] = [rimOf(plan), laidAt(plan, pass)];
  return ([x, y]) => laid([x - rim, y - rim]);
}

/** The strokes of a pass, area by area, round the whites it does not name. */
function* strokesOf(plan: Plan, pass: Pass, index: number): Work<PlannedStroke[]> {
  const mixThere = mixOnSheet(plan, pass);
  const masked = maskedAfter(plan.acts, index);
  const planned: PlannedStroke[] = [];
  for (const area of pass.areas) {
    // Over what lies under mask a hand goes.
    const round = whitesRound(plan, pass, area)
      .filter((white) => !masked.has(white.area))
      .map((white) => onSheet(plan, outlineOf(plan, white.area)));
    const outline = onSheet(plan, outlineOf(plan, area));
    const brush = brushFor(outline);
    // Into wet paper a brush gives only what it exchanges, so it comes fuller.
    const filmUm = techniqueOf(pass.technique).start === 'wet' ? pass.filmUm / EXCHANGES : pass.filmUm;
    const several = pass.also.length > 0 ? { laidAt: mixThere } : {};
    for (const stroke of yield* brushing({ outline, round, brush, filmUm, ...several }))
      planned.push({ ...stroke, brush: brush.id, mix: mixThere(midway(stroke.points)) });
  }
  return planned;
}

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
