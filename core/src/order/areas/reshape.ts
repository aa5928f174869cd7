import { type Point, type Polygon, polygonArea } from '../../kit/geometry';
import { areaOf, type Command, type Plan } from '../../document/plan';
import type { Area } from '../../drawing/sketch';
import { cutAway, joined, stroked } from './combine';

/** A line that splits an area is no wider than a knife's cut, mm. */
const CUT_MM = 0.02;

/** Slivers that a cut leaves by chance, mm². */
const SLIVER_MM2 = 0.5;

/** What makes one area of two that meet; `null` when they do not. The second is gone, its whites and passes too. */
export function joinAreas(plan: Plan, area: string, other: string): Command[] | null {
  const whole = joined([areaOf(plan, area).outline, areaOf(plan, other).outline]);
  return whole.length === 1
    ? [
        { do: 'reshape-area', area, outline: whole[0] },
        { do: 'remove-area', area: other },
      ]
    : null;
}

/** What cuts one area out of another; `null` when that changes nothing, or leaves nothing. */
export function cutOutArea(plan: Plan, from: string, other: string, newId: () => string): Command[] | null {
  const whole = areaOf(plan, from);
  const parts = cutAway([whole.outline], [areaOf(plan, other).outline]);
  const left = parts.reduce((sum, part) => sum + polygonArea(part), 0);
  return left > polygonArea(whole.outline) - SLIVER_MM2 ? null : intoParts(whole, parts, newId);
}

/** What splits an area along a pencil line that goes right across it; `null` when none does. */
export function splitArea(plan: Plan, area: string, newId: () => string): Command[] | null {
  const whole = areaOf(plan, area);
  for (const { points } of [...plan.lines].reverse()) {
    const line = points.map(([x, y]): Point => [x, y]);
    const parts = cutAway([whole.outline], stroked([line], CUT_MM)).filter(isNoSliver);
    if (parts.length > 1) return intoParts(whole, parts, newId);
  }
  return null;
}

const isNoSliver = (part: Polygon): boolean => polygonArea(part) > SLIVER_MM2;

/** The largest part keeps the area's name and all that is planned for it; the others are areas of their own. */
function intoParts({ id, name }: Area, parts: readonly Polygon[], newId: () => string): Command[] | null {
  const kept = parts.filter(isNoSliver).sort((a, b) => polygonArea(b) - polygonArea(a));
  if (kept.length === 0) return null;
  const [largest, ...rest] = kept;
  return [
    { do: 'reshape-area', area: id, outline: largest },
    ...rest.map((outline, i): Command => ({
      do: 'add-area',
      area: { id: newId(), name: `${name.slice(0, 50)}, part ${i + 2}`, outline },
    })),
  ];
}
