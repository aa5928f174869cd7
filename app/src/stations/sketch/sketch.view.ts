import {
  BRIDGE_MM,
  copyLines,
  cutOutArea,
  cutOuts,
  joinAreas,
  LAND_MM,
  placeLines,
  splitArea,
  touchingAreas,
  WEB_MM,
  type CutOut,
  type ThinWeb,
} from '@kettle/core/order/areas';
import { bounds, middleOf, polygonArea, type Point } from '@kettle/core/kit/geometry';
import {
  asParts,
  freeId,
  nameOf,
  outlineOf,
  stacked,
  thingOf,
  type Command,
  type Part,
  type Plan,
} from '@kettle/core/document/plan';
import { oneAfterAnother, mirrored, moved, scaled, turned } from '@kettle/core/drawing/sketch';

/** A thing or an area that stands by itself, in the list beside the board. */
export interface AreaRow extends Part {
  /** The areas of a thing, the one painted last on top; none of what stands by itself. */
  readonly parts: readonly { readonly id: string; readonly name: string; readonly size: string }[];
  readonly size: string;
  readonly reshapings: Reshaping[];
  /** How it is cut out of the card, if it is. */
  readonly opening: { readonly says: string; readonly stop: boolean } | null;
}

/** A way to make something else of an area; `other` is the area it takes, if any. */
export interface Reshaping {
  readonly how: 'join' | 'cut-out' | 'split' | 'open' | 'close' | 'gather';
  readonly other: string | null;
  readonly name: string;
}

/** Things and areas with their size, the one painted last on top. */
export function areaRows(plan: Plan, hasLines: boolean, length: (mm: number) => string): AreaRow[] {
  const { cuts, thin } = cutOuts(plan);
  const named = (id: string): string => plan.areas.find((area) => area.id === id)!.name;
  const sizeOf = (members: readonly string[]): string => {
    const outlines = members.map((id) => outlineOf(plan, id));
    const [, , width, height] = bounds([outlines.flatMap(([ring]) => ring)]);
    const cm2 = outlines.reduce((sum, outline) => sum + polygonArea(outline), 0) / 100;
    return `${cm2.toFixed(1)} cm², ${length(width)} × ${length(height)}`;
  };
  return stacked(plan)
    .map((part): AreaRow => {
      const [first, ...more] = part.members;
      const cut = cuts.find(({ area }) => area === first);
      const parts = part.members.map((id) => ({ id, name: named(id), size: sizeOf([id]) })).reverse();
      return {
        ...part,
        parts: more.length > 0 ? parts : [],
        opening: cut ? openingInWords(cut, thin, named, length) : null,
        reshapings: more.length > 0 ? [] : reshapingsOf(plan, first, hasLines),
        size: sizeOf(part.members),
      };
    })
    .reverse();
}

/** What puts an area together with another, or to a thing there is. */
function gathered(plan: Plan, area: string, other: string): Command {
  const thing = thingOf(plan, other) ?? {
    ...{ id: freeId(plan.things, `thing-${other}`), name: nameOf(plan, other), members: [other] },
  };
  return { do: 'gather', thing: { ...thing, members: [...thing.members, area] } };
}

/** An area may be joined with those it touches, have them cut out of it, or be split where there is a line to split it. */
function reshapingsOf(plan: Plan, area: string, hasLines: boolean): Reshaping[] {
  const ids = plan.areas.map(({ id }) => id).filter((id) => id !== area);
  const touching = touchingAreas(plan, [area], ids);
  const named = (id: string): string => plan.areas.find((other) => other.id === id)!.name;
  return [
    ...touching.map((other): Reshaping => ({ how: 'join', other, name: `join with ${named(other)}` })),
    ...touching.map((other): Reshaping => ({ how: 'cut-out', other, name: `cut ${named(other)} out of it` })),
    ...asParts(plan, ids).map(({ name, members }): Reshaping => ({
      ...{ how: 'gather', other: members[0], name: `one thing with ${name}` },
    })),
    plan.areas.find(({ id }) => id === area)!.opening
      ? { how: 'close', other: null, name: 'do not cut it out of the card' }
      : { how: 'open', other: null, name: 'cut it out of the card' },
    ...(hasLines ? [{ how: 'split' as const, other: null, name: 'split along the line across it' }] : []),
  ];
}

/** An opening: how it holds together, and what closes it from behind. */
function openingInWords(
  { area, bridges, backing }: CutOut,
  thin: readonly ThinWeb[],
  named: (id: string) => string,
  length: (mm: number) => string,
): { says: string; stop: boolean } {
  const tenth = (mm: number): string => length(Math.round(10 * mm) / 10);
  const weak = thin.filter((web) => web.area === area || web.other === area);
  const webs = weak.map(({ area: one, other, webMm }) => {
    const to = other === null ? 'the edge' : named(one === area ? other : one);
    return `Only ${tenth(Math.max(0, webMm))} of paper to ${to}; ${tenth(WEB_MM)} holds.`;
  });
  const holds = bridges > 0 ? [`${bridges} bridges of ${tenth(BRIDGE_MM)} hold what would fall out.`] : [];
  const land = `Backing ${tenth(backing.widthMm)} × ${tenth(backing.heightMm)}, ${tenth(LAND_MM)} of it glue land.`;
  return { says: ['Cut out.', ...holds, land, ...webs].join(' '), stop: weak.length > 0 };
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
    case 'gather':
      return [gathered(plan, area, other!)];
    case 'open':
    case 'close':
      return [{ do: 'open', area, opening: how === 'open' }];
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
  const middle = middleOf([points.map(([x, y]): Point => [x, y])]);
  const placing = oneAfterAnother(
    ...(mirror ? [mirrored(mirror, middle)] : []),
    scaled(percent / 100, middle),
    turned(turnDeg, middle),
    moved(rightMm, downMm),
  );
  return newId ? copyLines(plan, picked, placing, newId) : placeLines(plan, picked, placing);
}
