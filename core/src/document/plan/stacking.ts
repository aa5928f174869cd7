import { contains, middleOf, type Point, type Polygon } from '../../kit/geometry';
import { remembered } from '../../kit/units';
import type { Command } from './command';
import { covers } from './lookup';
import type { Plan } from './plan';
import { asParts, type Part } from './parts';

/** What lies over what: things and single areas from the lowest to the highest; a thing lies where its uppermost part does. */
export function stacked(plan: Plan): Part[] {
  const at = new Map(plan.areas.map(({ id }, i) => [id, i]));
  const highest = ({ members }: Part): number => Math.max(...members.map((member) => at.get(member)!));
  return asParts(plan, [...at.keys()]).sort((one, other) => highest(one) - highest(other));
}

/** Lays a thing or area over the next that lies over it, or, `by` −1, under the next that lies under it; nothing at either end. */
export function relaid(plan: Plan, part: string, by: 1 | -1): Command[] {
  const parts = stacked(plan);
  const at = parts.findIndex(({ id }) => id === part);
  const to = at + by;
  if (at < 0 || to < 0 || to >= parts.length) return [];
  [parts[at], parts[to]] = [parts[to], parts[at]];
  return [{ do: 'restack', order: parts.flatMap(({ members }) => members) }];
}

/** So much of an area’s outline lies in another that it lies there on the whole: a hand follows no line exactly. */
const LIES_IN = 0.9;

const known = remembered<boolean>();

/** Whether an area lies in another on the whole. */
export const liesIn = (plan: Plan, area: string, other: string): boolean =>
  known(plan.areas, `${area} ${other}`, () => {
    const [ring] = plan.areas.find(({ id }) => id === area)!.outline;
    return mostly(ring, (point) => covers(plan, other, point));
  });

const mostly = <T>(list: readonly T[], holds: (entry: T) => boolean): boolean =>
  list.filter(holds).length >= LIES_IN * list.length;

/** The lowest area that lies in a new outline: what is drawn round others goes under them. */
export const lowestWithin = (plan: Plan, outline: Polygon): string | undefined =>
  plan.areas.find(({ outline: [ring] }) => {
    // Looked at a little inside: what shares an edge with the new outline lies in it too.
    const middle = middleOf([ring]);
    return mostly(ring, (point) => contains(outline, towards(point, middle)));
  })?.id;

const INWARDS = 0.02;
const towards = ([x, y]: Point, [cx, cy]: Point): Point => [x + INWARDS * (cx - x), y + INWARDS * (cy - y)];
