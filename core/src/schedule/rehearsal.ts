import {
  isPaintedRound,
  laidMix,
  LIFT,
  maskedAfter,
  mixOf,
  outlineOf,
  paintedOf,
  rimOf,
  techniqueOf,
  type PaintedStroke,
  type Pass,
  type Plan,
} from '../plan';
import { footprint } from '../areas';
import { oneRing, type Polygon } from '../geometry';
import { loadsByCode } from '../pigment';
import {
  brushFor,
  brushwork,
  EXCHANGES,
  lengthOf,
  type ActOf,
  type HandStroke,
  type PanelAct,
  type Simulation,
} from '../water';
import { onSheet, shieldsOf, underShields } from './on-sheet';
import type { Step, Timeline } from './timeline';

/** Of a graded wash the last strokes carry this share of the first one's strength. */
const GRADES_TO = 0.15;

/** How finely, and on which sheet of its kind. */
export interface RehearsalSetting {
  readonly cellMm: number;
  readonly seed: number;
}

/**
 * A plan as a hand would paint it, ready to be simulated: every pass in its time as strokes of a brush, masks on and
 * off when their chores say. Ends when all is dry. Passes that can never begin are not painted.
 */
export function rehearse(plan: Plan, timeline: Timeline, { cellMm, seed }: RehearsalSetting): Simulation {
  const { paint } = paintedOf(plan);
  const acts = timeline.steps.flatMap((step, index) => actsOf(plan, step, index));
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

function actsOf(plan: Plan, step: Step, index: number): PanelAct[] {
  const { act, startS, endS } = step;
  if (act.kind === 'chore') {
    if (act.chore !== 'mask-on' && act.chore !== 'mask-off') return [];
    const kind = act.chore === 'mask-on' ? 'mask' : 'unmask';
    return act.areas
      .flatMap((id) => footprint(plan, id))
      .map((region) => ({ kind, atS: endS, shape: { polygon: oneRing(onSheet(plan, region)) } }));
  }
  const paint = HANDS[act.technique] ?? brushed;
  return paint(plan, act, index, [startS, endS]);
}

type Hand = (
  plan: Plan,
  pass: Pass,
  index: number,
  during: readonly [fromS: number, toS: number],
) => PanelAct[];

/** What is not laid with a brush, by its technique. */
const HANDS: Readonly<Partial<Record<string, Hand>>> = {
  /** Loosened and taken up with a tissue, twice over. */
  [LIFT]: (plan, { areas }, _, [, toS]) =>
    areas.flatMap((area): PanelAct[] => {
      const shape = { polygon: oneRing(onSheet(plan, outlineOf(plan, area))) };
      return [
        { kind: 'lift', atS: toS, shape, strength: 1 },
        { kind: 'blot', atS: toS, shape, share: BLOTS },
      ];
    }),
  spatter: (plan, pass, _, [, toS]) => {
    const mix = pass.mix === null ? null : mixOf(plan, pass.mix);
    const pigments = mix ? loadsByCode(laidMix(plan, mix, pass.filmUm)) : [];
    return pass.areas.map((area) => ({
      ...{ kind: 'spatter', atS: toS, area: { polygon: oneRing(onSheet(plan, outlineOf(plan, area))) } },
      ...{ coverage: Math.min(MOST_SPATTER, pass.covers), pigments, tool: 'tapped-brush' },
      shields: shieldsOf(plan, pass),
    }));
  },
};

/** A tissue takes up so much of the film that a lifting brush leaves. */
const BLOTS = 0.9;

/** Spatter that covered more would be a wash. */
const MOST_SPATTER = 0.9;

const brushed: Hand = (plan, act, index, [startS, endS]) => {
  if (act.strokes.length > 0) return act.strokes.map((stroke) => asPainted(plan, act, stroke, startS));
  const strokes = strokesOf(plan, act, index);
  const total = strokes.reduce((sum, stroke) => sum + lengthOf(stroke.points), 0);
  let gone = 0;
  const acts = strokes.map((stroke): PanelAct => {
    gone += lengthOf(stroke.points);
    const share = total > 0 ? gone / total : 1;
    return { ...strokeAct(plan, act, stroke, share), atS: startS + share * (endS - startS) };
  });
  return act.shields.length === 0 ? acts : underShields(plan, act, index, [startS, endS], acts);
};

/** The strokes of a pass, area by area, round the whites it does not name. */
function strokesOf(plan: Plan, pass: Pass, index: number): (HandStroke & { readonly brush: string })[] {
  const round = bareWhites(plan, pass, index);
  return pass.areas.flatMap((area) => {
    const outline = onSheet(plan, outlineOf(plan, area));
    const brush = brushFor(outline);
    // Into wet paper a brush gives only what it exchanges, so it comes fuller.
    const filmUm = techniqueOf(pass.technique).start === 'wet' ? pass.filmUm / EXCHANGES : pass.filmUm;
    return brushwork({ outline, round, brush, filmUm }).map((stroke) => ({
      ...stroke,
      brush: brush.id,
    }));
  });
}

/** Whites a hand has to go round: those kept bare, and not under mask, and not painted by this pass itself. */
function bareWhites(plan: Plan, pass: Pass, index: number): Polygon[] {
  const masked = maskedAfter(plan.acts, index);
  return plan.whites
    .filter(({ way, area }) => isPaintedRound(way) && !masked.has(area) && !pass.areas.includes(area))
    .map(({ area }) => onSheet(plan, outlineOf(plan, area)));
}

/** A stroke as a hand made it on a trial sheet, in the same time after the pass begins. */
function asPainted(plan: Plan, pass: Pass, { brush, load, points }: PaintedStroke, startS: number): PanelAct {
  const rim = rimOf(plan);
  return {
    ...strokeAct(plan, pass, { points: [], load, brush }, 0),
    kind: 'stroke',
    atS: startS + points[0][3],
    points: points.map(([x, y, pressure, s]) => [x + rim, y + rim, pressure, startS + s]),
  };
}

function strokeAct(
  plan: Plan,
  pass: Pass,
  { points, load, brush }: HandStroke & { readonly brush: string },
  share: number,
): ActOf<'stroke'> {
  const mix = pass.mix === null ? null : mixOf(plan, pass.mix);
  const fades = pass.technique === 'graded-wash' ? 1 + (GRADES_TO - 1) * share : 1;
  return {
    kind: 'stroke',
    atS: 0,
    points: [...points],
    brush,
    load,
    dips: true,
    parts: mix ? mix.parts.map(({ pigment, parts }) => ({ pigment, parts })) : [],
    strength: (mix?.strength ?? 1) * fades,
  };
}
