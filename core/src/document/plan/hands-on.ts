import { edgeLength, polygonArea } from '../../kit/geometry';
import { strokeLength, type Resist } from '../../drawing/masking';
import { choreOf } from './chore';
import { deedOf } from './deed';
import type { Act, Pass } from './act';
import { mixesOf } from './places';
import type { Plan } from './plan';
import { techniqueOf } from './technique';

/** Picking up the brush, loading, a look at the panel, s. */
const SET_UP_S = 20;

/** Rinsing the brush and taking another mix in the middle of a pass, s. */
const CHANGE_S = 15;

/** How often a pass goes over to another of its mixes. */
const changes = (pass: Pass): number => Math.max(0, mixesOf(pass).length - 1);

/** Cutting in along an edge with a pointed brush, mm/s. Our default, learnt from sittings later. */
export const CUTTING_IN_MM_S = 8;

/** Laying masking fluid along and inside a shape: mm of edge and mm² of fill a second. */
const MASK_EDGE_MM_S = 4;
const MASK_FILL_MM2_S = 25;

/** Lifting the pen from stroke to stroke, and a spatter tried on scrap first, s. */
const STROKE_S = 1.5;
const SPATTER_S = 60;

/** Drawing a mask freehand, s. */
const handMaskS = (resist: Resist): number =>
  strokeLength(resist) / MASK_EDGE_MM_S +
  resist.strokes.length * STROKE_S +
  (resist.drops.length > 0 ? SPATTER_S : 0);

/** Hands-on time of an act, s: the painter's own if set, else set-up + area ÷ coverage + edge ÷ speed. */
export function handsOn(plan: Plan, act: Act): number {
  if (act.handsS !== null) return act.handsS;
  const outlines = plan.areas.filter(({ id }) => act.areas.includes(id)).map(({ outline }) => outline);
  const edge = outlines.reduce((sum, outline) => sum + edgeLength(outline), 0);
  const area = outlines.reduce((sum, outline) => sum + polygonArea(outline), 0);
  if (act.kind === 'pass')
    return (
      SET_UP_S +
      changes(act) * CHANGE_S +
      area / techniqueOf(act.technique).coverageMm2S +
      edge / CUTTING_IN_MM_S
    );
  if (deedOf(act) === 'masks' && act.areas.length > 0) {
    const byHand = plan.resists.filter(({ id }) => act.areas.includes(id));
    const drawn = byHand.reduce((sum, resist) => sum + handMaskS(resist), 0);
    return SET_UP_S + edge / MASK_EDGE_MM_S + area / MASK_FILL_MM2_S + drawn;
  }
  return choreOf(act.chore).handsS;
}
