import { labOf, type Lab } from '../../kit/colour';
import { contains, interiorPoint, type Point } from '../../kit/geometry';
import { glazeReflectance, lifted, mediumOf, type Mix } from '../../materials/pigment';
import { remembered } from '../../kit/units';
import type { Act, Pass } from './act';
import { deedOf } from './deed';
import { covers, laidMix, mixOf, outlineOf, planPaper } from './lookup';
import { laidAt, mixOver } from './places';
import type { Plan, White } from './plan';
import { liesIn } from './stacking';
import { LIFT } from './technique';

/** Areas and freehand masks that lie under mask after the first `count` acts. */
export function maskedAfter(acts: readonly Act[], count: number): Set<string> {
  const masked = new Set<string>();
  for (const act of acts.slice(0, count)) maskOrUnmask(masked, act);
  return masked;
}

function maskOrUnmask(masked: Set<string>, act: Act): void {
  if (deedOf(act) === 'masks') act.areas.forEach((area) => masked.add(area));
  if (deedOf(act) === 'unmasks') act.areas.forEach((area) => masked.delete(area));
}

/** Every rule of colour asks for hearts. */
const heartIn = remembered<Point>();

/** The point that stands for an area: well inside it and, where possible, under no area painted over it. */
export function representativePoint(plan: Plan, area: string): Point {
  return heartIn(plan.areas, area, () => {
    const at = plan.areas.findIndex(({ id }) => id === area);
    const over = plan.areas.slice(at + 1).map(({ outline }) => outline);
    return interiorPoint(outlineOf(plan, area), over);
  });
}

/** Whether a hand keeps off a white kept so: under a mask it goes over it, and what is lifted or covered later it paints. */
export const isPaintedRound = (way: White['way']): boolean =>
  way === 'paint-round' || way === 'bare' || way === 'permanent-line';

/**
 * Areas that are gone round while a pass paints an area: those the pass says it spares, else the whites kept off; none that
 * the pass names, nor one the area lies in, as a lamp on a hull does: then it is what that one is painted with.
 */
export function sparedBy(plan: Plan, pass: Pass, area: string): string[] {
  const keptOff = plan.whites.filter(({ way }) => isPaintedRound(way)).map((white) => white.area);
  return (pass.spares ?? keptOff).filter(
    (spared) => !pass.areas.includes(spared) && !liesIn(plan, area, spared),
  );
}

/** Through which areas an area's heart is wetted, act by act, as long as nothing is drawn, kept or put elsewhere. */
const wettings = new WeakMap<
  Plan['acts'],
  Pick<Plan, 'areas' | 'whites' | 'resists'> & { readonly through: Map<string, readonly (string | null)[]> }
>();

function wettingsOf(plan: Plan): Map<string, readonly (string | null)[]> {
  const { acts, areas, whites, resists } = plan;
  const known = wettings.get(acts);
  if (known?.areas === areas && known.whites === whites && known.resists === resists) return known.through;
  const through = new Map<string, readonly (string | null)[]>();
  wettings.set(acts, { areas, whites, resists, through });
  return through;
}

/**
 * The area through which the act at `index` wets the heart of `area`; `null` if it does not. A mask keeps
 * it off, and so does a white painted round or left bare, unless the pass names that white itself.
 */
export function wettedThrough(plan: Plan, area: string, index: number): string | null {
  const known = wettingsOf(plan);
  const through = known.get(area) ?? wettedThroughEach(plan, area);
  known.set(area, through);
  return through[index];
}

/** The same for every act, gone through once with the masks that lie. */
function wettedThroughEach(plan: Plan, area: string): (string | null)[] {
  const heart = representativePoint(plan, area);
  const held = new Map<string, boolean>();
  return comesThroughEach(plan, (other) => {
    const holds = held.get(other) ?? covers(plan, other, heart);
    held.set(other, holds);
    return holds;
  });
}

/** Through which area each act comes to a place, known by what it lies in; `null` where it does not. */
function comesThroughEach(plan: Plan, inside: (id: string) => boolean): (string | null)[] {
  const masked = new Set<string>();
  return plan.acts.map((act) => {
    maskOrUnmask(masked, act);
    if (act.kind === 'chore') return null;
    if ([...masked].some(inside)) return null;
    if (act.shields.some(({ area: over, lies }) => inside(over) === (lies === 'over'))) return null;
    const goesRound = (through: string): boolean => sparedBy(plan, act, through).some(inside);
    return act.areas.find((through) => inside(through) && !goesRound(through)) ?? null;
  });
}

/** Whether a place lies under what is laid on the panel during a pass. */
export const isShielded = (plan: Plan, { shields }: Pass, at: Point): boolean =>
  shields.some(({ area, lies }) => covers(plan, area, at) === (lies === 'over'));

/** Drops and broken strokes that cover less than this leave the colour of an area to what lies under them. */
const COLOURS_FROM = 0.5;

interface Layer {
  readonly mix: Mix;
  /** Whether water no longer lifts it. */
  readonly fast: boolean;
}

/** What lies at an area's heart after each act: every rule of colour asks for it. */
const layersKnown = remembered<readonly (readonly Mix[])[]>();

/** The paint layers at the heart of an area after the first `count` acts, bottom first. */
export function layersAt(plan: Plan, area: string, count: number): readonly Mix[] {
  const after = layersKnown(plan, area, () => layersAfterEach(plan, area));
  return after[Math.min(count, plan.acts.length)];
}

function layersAfterEach(plan: Plan, area: string): Mix[][] {
  const through = plan.acts.map((_, index) => wettedThrough(plan, area, index));
  return layered(plan, through, (pass, by) => mixOver(plan, pass, by));
}

/** The paint layers after each act at a place, known by what it lies in, bottom first; the first entry is bare paper. */
export const layersAtPlace = (plan: Plan, at: Point, inside: (id: string) => boolean): Mix[][] =>
  layered(plan, comesThroughEach(plan, inside), (pass) => laidAt(plan, pass)(at));

function layered(
  plan: Plan,
  through: readonly (string | null)[],
  mixLaid: (pass: Pass, through: string) => string | null,
): Mix[][] {
  let layers: readonly Layer[] = [];
  const after = plan.acts.map((act, index) => {
    const by = through[index];
    if (by !== null && act.kind === 'pass') layers = layersAfterPass(plan, layers, act, mixLaid(act, by));
    return layers.map(({ mix }) => mix);
  });
  return [[], ...after];
}

function layersAfterPass(
  plan: Plan,
  layers: readonly Layer[],
  pass: Pass,
  laid: string | null,
): readonly Layer[] {
  if (pass.covers < COLOURS_FROM) return layers;
  if (pass.mix === null && pass.technique !== LIFT) return layers;
  if (laid === null)
    return layers.map(({ mix, fast }) => ({ mix: fast ? mix : lifted(planPaper(plan), mix), fast }));
  const mix = mixOf(plan, laid);
  return [...layers, { mix: laidMix(plan, mix, pass.filmUm), fast: mediumOf(mix.medium).waterfast }];
}

/** The area that lies uppermost at a place, one left out if wanted; `null` where none lies. */
export const topAreaAt = (plan: Plan, at: Point, without?: string): string | null =>
  plan.areas.findLast(({ id, outline }) => id !== without && contains(outline, at))?.id ?? null;

/** The lightness of the paper where nothing is painted, L*. */
export const bareLightness = (plan: Plan): number => labOf(glazeReflectance(planPaper(plan), []))[0];

/** The lightness of what lies uppermost at a place after the first `count` acts, an area left out if wanted; bare paper where nothing lies. */
export function lightnessOver(plan: Plan, count: number): (at: Point, without?: string) => number {
  const known = new Map<string, number>();
  const paper = bareLightness(plan);
  return (at, without) => {
    const top = topAreaAt(plan, at, without);
    if (top === null) return paper;
    const found = known.get(top) ?? colourAt(plan, top, count)[0];
    known.set(top, found);
    return found;
  };
}

/** The colour at the heart of an area after the first `count` acts; `wetness` 0…1 of its top layer. */
export const colourAt = (plan: Plan, area: string, count: number, wetness = 0): Lab =>
  labOf(glazeReflectance(planPaper(plan), layersAt(plan, area, count), { wetness }));
