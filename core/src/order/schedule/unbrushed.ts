import {
  bounds,
  contains,
  oneRing,
  polygonArea,
  type Point,
  type Polygon,
  type Ring,
} from '../../kit/geometry';
import {
  laidAt,
  laidMix,
  mixOf,
  outlineOf,
  rimOf,
  techniqueOf,
  type Pass,
  type Plan,
  type Laying,
} from '../../document/plan';
import { loadsByCode } from '../../materials/pigment';
import { chance } from '../../kit/units';
import type { PanelAct } from '../../simulation/water';
import { onSheet, shieldsOf } from './on-sheet';

/** Paints a pass that is not laid with a brush: what is done to the panel as the hands have done with it at `toS`. */
type Hand = (plan: Plan, pass: Pass, toS: number) => PanelAct[];

/** A tissue takes up so much of the film that a lifting brush leaves. */
const BLOTS = 0.9;

/** Spatter that covered more would be a wash. */
const MOST_SPATTER = 0.9;

/** A pinch of salt lies so thin, mm from grain to grain. */
const GRAINS_APART_MM = 7;

/** What is done to the panel by a pass that is not laid with a brush; `null` for one that is. */
export function unbrushed(plan: Plan, pass: Pass, atS: number): PanelAct[] | null {
  const { laid } = techniqueOf(pass.technique);
  if (laid === undefined) return null;
  return typeof laid === 'object' ? prints(plan, pass, atS, laid.printsMm) : HANDS[laid](plan, pass, atS);
}

const HANDS: Readonly<Record<Exclude<Laying, object>, Hand>> = {
  /** Loosened and taken up with a tissue, twice over. */
  lift: (plan, { areas }, atS) =>
    areas.flatMap((area): PanelAct[] => {
      const shape = shapeOf(plan, area);
      return [
        { kind: 'lift', atS, shape, strength: 1 },
        { kind: 'blot', atS, shape, share: BLOTS },
      ];
    }),
  spatter: (plan, pass, atS) =>
    pass.areas.map((area) => ({
      ...{ kind: 'spatter', atS, area: shapeOf(plan, area) },
      ...{ coverage: Math.min(MOST_SPATTER, pass.covers), pigments: loads(plan, pass), tool: 'tapped-brush' },
      shields: shieldsOf(plan, pass),
    })),
  mist: (plan, { areas, filmUm }, atS) =>
    areas.map((area) => ({ kind: 'mist', atS, area: shapeOf(plan, area), filmUm, pigments: [] })),
  salt: (plan, { areas }, atS) =>
    areas.flatMap((area): PanelAct[] => {
      const points = strewn(onSheet(plan, outlineOf(plan, area)), GRAINS_APART_MM);
      return points.length === 0 ? [] : [{ kind: 'salt', atS, points, grainMm: 1 }];
    }),
};

const shapeOf = (plan: Plan, area: string): { polygon: Ring } => ({
  polygon: oneRing(onSheet(plan, outlineOf(plan, area))),
});

/** Pigment of a mix on what a pass covers with it, g/m². */
const loads = (
  plan: Plan,
  { mix, filmUm }: Pick<Pass, 'mix' | 'filmUm'>,
): { pigment: string; gm2: number }[] =>
  mix === null ? [] : loadsByCode(laidMix(plan, mixOf(plan, mix), filmUm));

/** Round prints strewn over the areas of a pass until so much of them is covered as it says. */
function prints(plan: Plan, pass: Pass, atS: number, acrossMm: number): PanelAct[] {
  const [rim, laid] = [rimOf(plan), laidAt(plan, pass)];
  const apartMm = (acrossMm / 2) * Math.sqrt(Math.PI / Math.min(1, pass.covers));
  return pass.areas.flatMap((area) =>
    strewn(onSheet(plan, outlineOf(plan, area)), apartMm).map(([x, y]): PanelAct => ({
      ...{ kind: 'print', atS, shape: { circle: [x, y, acrossMm / 2] } },
      ...{ filmUm: pass.filmUm, pigments: loads(plan, { ...pass, mix: laid([x - rim, y - rim]) }) },
    })),
  );
}

/** Places a hand strews over a region, so far apart on the whole and never in rows; the same for the same region. */
export function strewn(region: Polygon, apartMm: number): Point[] {
  const random = chance(Math.round(100 * polygonArea(region)));
  const [left, top, width, height] = bounds(region);
  const [columns, rows] = [width, height].map((side) => Math.max(1, Math.round(side / apartMm)));
  return Array.from({ length: columns * rows }, (_, i): Point => {
    const [column, row] = [i % columns, Math.floor(i / columns)];
    return [left + ((column + random()) * width) / columns, top + ((row + random()) * height) / rows];
  }).filter((at) => contains(region, at));
}
