import { labOf, type Lab } from '../colour';
import { interiorPoint, type Point } from '../geometry';
import { glazeReflectance, lifted, type Mix } from '../pigment';
import type { Act, Pass } from './act';
import { covers, laidMix, mixOf, outlineOf, planPaper } from './lookup';
import type { Plan, White } from './plan';
import { LIFT } from './technique';

/** Areas and freehand masks that lie under mask after the first `count` acts. */
export function maskedAfter(acts: readonly Act[], count: number): Set<string> {
  const masked = new Set<string>();
  for (const act of acts.slice(0, count)) {
    if (act.kind !== 'chore') continue;
    if (act.chore === 'mask-on') act.areas.forEach((area) => masked.add(area));
    if (act.chore === 'mask-off') act.areas.forEach((area) => masked.delete(area));
  }
  return masked;
}

/** The point that stands for an area: well inside it and, where possible, under no area painted over it. */
export function heartOf(plan: Plan, area: string): Point {
  const at = plan.areas.findIndex(({ id }) => id === area);
  return interiorPoint(
    outlineOf(plan, area),
    plan.areas.slice(at + 1).map(({ outline }) => outline),
  );
}

/** Whether a hand keeps off a white kept so: under a mask it goes over it, and what is lifted or covered later it paints. */
export const isPaintedRound = (way: White['way']): boolean =>
  way === 'paint-round' || way === 'bare' || way === 'permanent-line';

/**
 * The area through which the act at `index` wets the heart of `area`; `null` if it does not. A mask keeps
 * it off, and so does a white painted round or left bare, unless the pass names that white itself.
 */
export function wettedThrough(plan: Plan, area: string, index: number): string | null {
  const act = plan.acts[index];
  if (act.kind !== 'pass') return null;
  const heart = heartOf(plan, area);
  const inside = (other: string): boolean => covers(plan, other, heart);
  if ([...maskedAfter(plan.acts, index)].some(inside)) return null;
  if (plan.whites.some(({ way, area }) => isPaintedRound(way) && !act.areas.includes(area) && inside(area)))
    return null;
  if (isShielded(plan, act, heart)) return null;
  return act.areas.find(inside) ?? null;
}

/** Whether a place lies under what is laid on the panel during a pass. */
export const isShielded = (plan: Plan, { shields }: Pass, at: Point): boolean =>
  shields.some(({ area, lies }) => covers(plan, area, at) === (lies === 'over'));

/** Drops and broken strokes that cover less than this leave the colour of an area to what lies under them. */
const COLOURS_FROM = 0.5;

/** The paint layers at the heart of an area after the first `count` acts, bottom first. */
export function layersAt(plan: Plan, area: string, count: number): Mix[] {
  return plan.acts.slice(0, count).reduce<Mix[]>((layers, act, index) => {
    if (act.kind !== 'pass' || act.covers < COLOURS_FROM) return layers;
    if (act.mix === null && act.technique !== LIFT) return layers;
    if (wettedThrough(plan, area, index) === null) return layers;
    if (act.mix === null) return layers.map((mix) => lifted(planPaper(plan), mix));
    return [...layers, laidMix(plan, mixOf(plan, act.mix), act.filmUm)];
  }, []);
}

/** The colour at the heart of an area after the first `count` acts; `wetness` 0…1 of its top layer. */
export const colourAt = (plan: Plan, area: string, count: number, wetness = 0): Lab =>
  labOf(glazeReflectance(planPaper(plan), layersAt(plan, area, count), { wetness }));
