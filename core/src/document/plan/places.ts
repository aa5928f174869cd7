import { bounds, contains, rectangle, type Point, type Polygon } from '../../kit/geometry';
import type { OtherMix, Pass } from './act';
import { outlineOf } from './lookup';
import type { Plan } from './plan';

/** An ellipse is drawn with so many corners. */
const CORNERS = 48;

/** Every mix a pass lays: its own first; none where it is clear water. */
export const mixesOf = ({ mix, also }: Pick<Pass, 'mix' | 'also'>): string[] =>
  mix === null ? [] : [...new Set([mix, ...also.map((other) => other.mix)])];

/** Places reach so far beyond their box, so that what lies on its edge is in them, mm. */
const BEYOND_MM = 1;

/** The part of the panel on which a pass lays another mix, in the box round all its areas. */
export function partLaid(plan: Plan, { areas }: Pick<Pass, 'areas'>, { lies, share }: OtherMix): Polygon {
  if (areas.length === 0) return [];
  const box = bounds([areas.flatMap((area) => outlineOf(plan, area)[0])]);
  const [x, y, width, height] = box;
  const all = rectangle(x - BEYOND_MM, y - BEYOND_MM, width + 2 * BEYOND_MM, height + 2 * BEYOND_MM);
  const [[[left, top], , [right, bottom]]] = all;
  switch (lies) {
    case 'above':
      return rectangle(left, top, right - left, BEYOND_MM + share * height);
    case 'below':
      return rectangle(left, bottom - BEYOND_MM - share * height, right - left, BEYOND_MM + share * height);
    case 'left':
      return rectangle(left, top, BEYOND_MM + share * width, bottom - top);
    case 'right':
      return rectangle(right - BEYOND_MM - share * width, top, BEYOND_MM + share * width, bottom - top);
    case 'middle':
      return [oval(box, share)];
    case 'round':
      return [...all, oval(box, 1 - share).toReversed()];
  }
}

/** An oval in the middle of a box, of so much of its area. */
function oval([x, y, width, height]: readonly [number, number, number, number], share: number): Point[] {
  const reach = Math.sqrt(share / Math.PI);
  return Array.from({ length: CORNERS }, (_, i): Point => {
    const turn = (2 * Math.PI * i) / CORNERS;
    return [x + width * (0.5 + reach * Math.cos(turn)), y + height * (0.5 + reach * Math.sin(turn))];
  });
}

/** Which mix a pass lays at a place: of those that lie there the last named, else its own; `null` for clear water. */
export function laidAt(plan: Plan, pass: Pass): (at: Point) => string | null {
  const places = pass.also
    .toReversed()
    .map((other) => ({ mix: other.mix, place: partLaid(plan, pass, other) }));
  return (at) => places.find(({ place }) => contains(place, at))?.mix ?? pass.mix;
}

/** An area is looked at in so many places across and down. */
const LOOKED_AT = 12;

/** The mix of a pass that covers most of an area; `null` for clear water. */
export function mixOver(plan: Plan, pass: Pass, area: string): string | null {
  if (pass.also.length === 0) return pass.mix;
  const outline = outlineOf(plan, area);
  const [x, y, width, height] = bounds(outline);
  const laid = laidAt(plan, pass);
  const counts = new Map<string | null, number>();
  for (let i = 0; i < LOOKED_AT ** 2; i++) {
    const [column, row] = [i % LOOKED_AT, Math.floor(i / LOOKED_AT)];
    const at: Point = [x + ((column + 0.5) / LOOKED_AT) * width, y + ((row + 0.5) / LOOKED_AT) * height];
    if (contains(outline, at)) counts.set(laid(at), (counts.get(laid(at)) ?? 0) + 1);
  }
  return [...counts].reduce((most, next) => (next[1] > most[1] ? next : most), [pass.mix, 0])[0];
}
