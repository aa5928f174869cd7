import { copyLines, cutOutArea, joinAreas, placeLines, splitArea } from '@kettle/core/areas';
import { bounds, polygonArea, type Point } from '@kettle/core/geometry';
import { touchingAreas, type Command, type Plan } from '@kettle/core/plan';
import { inOrder, mirrored, moved, scaled, turned } from '@kettle/core/sketch';

/** An area in the list beside the board. */
export interface AreaRow {
  readonly id: string;
  readonly name: string;
  readonly size: string;
  readonly reshapings: Reshaping[];
}

/** A way to make something else of an area; `other` is the area it takes, if any. */
export interface Reshaping {
  readonly how: 'join' | 'cut-out' | 'split';
  readonly other: string | null;
  readonly name: string;
}

/** The areas with their size, the one painted last on top. */
export function areaRows(plan: Plan, hasLines: boolean, length: (mm: number) => string): AreaRow[] {
  return plan.areas
    .map(({ id, name, outline }) => {
      const [, , width, height] = bounds(outline);
      return {
        id,
        name,
        reshapings: reshapingsOf(plan, id, hasLines),
        size: `${(polygonArea(outline) / 100).toFixed(1)} cm², ${length(width)} × ${length(height)}`,
      };
    })
    .reverse();
}

/** An area may be joined with those it touches, have them cut out of it, or be split where there is a line to split it. */
function reshapingsOf(plan: Plan, area: string, hasLines: boolean): Reshaping[] {
  const ids = plan.areas.map(({ id }) => id).filter((id) => id !== area);
  const touching = touchingAreas(plan, [area], ids);
  const named = (id: string): string => plan.areas.find((other) => other.id === id)!.name;
  return [
    ...touching.map((other): Reshaping => ({ how: 'join', other, name: `join with ${named(other)}` })),
    ...touching.map((other): Reshaping => ({ how: 'cut-out', other, name: `cut ${named(other)} out of it` })),
    ...(hasLines ? [{ how: 'split' as const, other: null, name: 'split along the line across it' }] : []),
  ];
}

/** What carries a reshaping out, or why it cannot be. */
export function reshape(
  plan: Plan,
  area: string,
  { how, other }: Reshaping,
  newId: () => string,
): Command[] | string {
  switch (how) {
    case 'join':
      return joinAreas(plan, area, other!) ?? 'They lie near each other but do not meet.';
    case 'cut-out':
      return cutOutArea(plan, area, other!, newId) ?? 'Nothing would change, or nothing be left.';
    case 'split':
      return splitArea(plan, area, newId) ?? 'No line goes right across it.';
  }
}

/** How lines in the hand are placed anew, as it is typed or pressed. */
export interface Placement {
  readonly rightMm: number;
  readonly downMm: number;
  readonly turnDeg: number;
  readonly percent: number;
  readonly mirror: 'left-right' | 'upside-down' | null;
}

export const AS_IT_IS: Placement = { rightMm: 0, downMm: 0, turnDeg: 0, percent: 100, mirror: null };

/** What places or copies the lines in the hand: mirrored, scaled and turned about their middle, then moved. */
export function placeInHand(
  plan: Plan,
  picked: readonly string[],
  { rightMm, downMm, turnDeg, percent, mirror }: Placement,
  newId: (() => string) | null,
): Command[] {
  const points = plan.lines.filter(({ id }) => picked.includes(id)).flatMap((line) => line.points);
  if (points.length === 0) return [];
  const [x, y, width, height] = bounds([points.map(([px, py]): Point => [px, py])]);
  const middle: Point = [x + width / 2, y + height / 2];
  const placing = inOrder(
    ...(mirror ? [mirrored(mirror, middle)] : []),
    scaled(percent / 100, middle),
    turned(turnDeg, middle),
    moved(rightMm, downMm),
  );
  return newId ? copyLines(plan, picked, placing, newId) : placeLines(plan, picked, placing);
}
