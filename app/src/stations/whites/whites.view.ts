import type { Finding } from '@kettle/core/advice/checks';
import { contains, middleOf, type Point } from '@kettle/core/kit/geometry';
import { hexOf } from '@kettle/core/kit/colour';
import { maskingTool } from '@kettle/core/drawing/masking';
import {
  asParts,
  deedOf,
  colourAt,
  maskTimes,
  nameOf,
  type Command,
  type MaskTimes,
  type Part,
  type Plan,
  type White,
} from '@kettle/core/document/plan';
import type { Timeline } from '@kettle/core/order/schedule';
import type { RankedWay } from '@kettle/core/advice/whites';
import { NOTHING_OVER, type BoardOver } from '../../panel/board-marks';
import type { BoardLine } from '../../panel/line-mark';
import type { PanelDrawing } from '../../panel/panel.view';
import { actInWords } from '../../ui/act-words';
import type { RankedWhite } from '../../workers/table-api';

/** The ways as a painter says them. */
export const WAY_NAMES: Readonly<Record<White['way'], string>> = {
  mask: 'mask it',
  'paint-round': 'paint round it',
  lift: 'lift it out',
  opaque: 'opaque white over it',
  bare: 'leave it bare',
  'permanent-line': 'a line that stays',
};

/** Said when the worker fails at it. */
export const MASKS_FAULT = 'The masks could not be reckoned';

/** Of the ways so many are shown at once; the others are a press away. */
const SHOWN = 3;

/** One way in the list, with all its reasons in a row. */
export interface WayRow extends RankedWay {
  readonly name: string;
  readonly reason: string;
  readonly chosen: boolean;
}

/** A thing or an area with the way it is kept, if it is, and the ways it could be. */
export interface WhiteRow extends Part {
  /** How the first of its parts is kept; the others are so too. */
  readonly white: White | null;
  /** The parts of a thing, to be singled out. */
  readonly parts: readonly { readonly id: string; readonly name: string }[];
  readonly best: readonly WayRow[];
  readonly others: readonly WayRow[];
  readonly times: MaskTimes | null;
  readonly findings: readonly Finding[];
}

/** Every thing and area, those kept first; the ways of one that has not been ranked yet are still to come. */
export function whiteRows(
  plan: Plan,
  ranked: readonly RankedWhite[],
  findings: readonly Finding[],
): WhiteRow[] {
  const rows = asParts(
    plan,
    plan.areas.map(({ id }) => id),
  )
    .flatMap((part) => (isKeptAlike(plan, part) ? [part] : opened(plan, part)))
    .map((part): WhiteRow => {
      const { id, name, members } = part;
      const white = plan.whites.find(({ area }) => area === members[0]) ?? null;
      const ways = waysOf(ranked, members).map((way): WayRow => ({
        ...way,
        name: WAY_NAMES[way.way],
        reason: way.reasons.join('; '),
        chosen: white?.way === way.way,
      }));
      const shown = (way: WayRow, i: number): boolean => i < SHOWN || way.chosen;
      return {
        ...{ id, name, members, white, times: maskTimes(plan, members[0]) },
        parts: members.length === 1 ? [] : opened(plan, part),
        best: ways.filter(shown),
        others: ways.filter((way, i) => !shown(way, i)),
        findings: findings.filter(
          ({ where, station }) => members.includes(where.area ?? '') && station === 'whites',
        ),
      };
    });
  return [...rows.filter((row) => row.white), ...rows.filter((row) => !row.white)];
}

/** The parts of a thing, each by itself. */
const opened = (plan: Plan, { members }: Part): Part[] =>
  members.map((member) => ({ id: member, name: nameOf(plan, member), members: [member] }));

/** Whether all of a thing is kept in one way; else it opens. */
function isKeptAlike(plan: Plan, { members }: Part): boolean {
  const keptHow = (member: string): string => {
    const white = plan.whites.find(({ area }) => area === member);
    const { way, tool, wanted, edge } = white ?? {};
    return JSON.stringify([way, tool, wanted, edge, maskTimes(plan, member)]);
  };
  return new Set(members.map(keptHow)).size === 1;
}

/** Ways to keep a thing, the best first: for each the mean of its parts, and what speaks for it at the least of them. */
function waysOf(ranked: readonly RankedWhite[], members: readonly string[]): RankedWay[] {
  const each = members.flatMap((member) => ranked.find(({ area }) => area === member)?.ways ?? []);
  const ways = [...new Set(each.map(({ way }) => way))].map((way): RankedWay => {
    const same = each.filter((one) => one.way === way);
    const least = same.reduce((a, b) => (b.score < a.score ? b : a));
    return { ...least, score: Math.round(same.reduce((sum, { score }) => sum + score, 0) / same.length) };
  });
  return ways.sort((a, b) => b.score - a.score);
}

/** What keeps every part of a thing in a way. */
export const keeping = (plan: Plan, { members }: Part, change: Partial<White>): Command[] =>
  members.map((area): Command => {
    const now = plan.whites.find((white) => white.area === area) ?? {
      ...{ id: `white-${area}`, area, way: 'mask', tool: null, wanted: null, edge: 'hard' },
    };
    return { do: 'keep-white', white: { ...now, ...change } };
  });

/** What gives up every white of a thing. */
export const givingUp = (plan: Plan, { members }: Part): Command[] =>
  plan.whites
    .filter(({ area }) => members.includes(area))
    .map(({ id }): Command => ({ do: 'give-up-white', white: id }));

/** So many drops are drawn as one: a browser takes long over a path of thousands. */
const DROPS_A_LINE = 100;

/** The freehand masks as lines of the board: the film that lies there, or what it has kept once it is off. */
export function maskLines(plan: Plan, uncovered: boolean, shown: (resist: string) => boolean): BoardLine[] {
  return plan.resists
    .filter(({ id }) => shown(id))
    .flatMap((resist): BoardLine[] => {
      const drawn = { kind: resist.tool, colour: uncovered ? keptColour(plan, resist.id) : undefined };
      return [
        ...resist.strokes.map((stroke) => oneLine(stroke, { ...drawn, ...stroke })),
        ...sprays(resist.drops).map((drops, i) =>
          oneLine(drops, { ...drawn, id: `${resist.id}-drops-${i}`, points: [], drops }),
        ),
      ];
    });
}

const lines = new WeakMap<object, BoardLine>();

/** A line of the board for a thing; the same one as long as it is drawn alike, so that it is drawn once. */
function oneLine(thing: object, line: BoardLine): BoardLine {
  const known = lines.get(thing);
  if (known?.kind === line.kind && known.colour === line.colour) return known;
  lines.set(thing, line);
  return line;
}

type Drops = Plan['resists'][number]['drops'];
const sprayed = new WeakMap<Drops, Drops[]>();

/** Drops in lots that are drawn as one. */
function sprays(drops: Drops): Drops[] {
  const known =
    sprayed.get(drops) ??
    Array.from({ length: Math.ceil(drops.length / DROPS_A_LINE) }, (_, i) =>
      drops.slice(i * DROPS_A_LINE, (i + 1) * DROPS_A_LINE),
    );
  sprayed.set(drops, known);
  return known;
}

/** The colour that lay under a freehand mask when it went on: of the uppermost area there, or bare paper. */
function keptColour(plan: Plan, resist: string): string {
  const { strokes, drops } = plan.resists.find(({ id }) => id === resist)!;
  const points = [
    ...strokes.flatMap((stroke) => stroke.points.map(([x, y]): Point => [x, y])),
    ...drops.map(([x, y]): Point => [x, y]),
  ];
  const at = plan.acts.findIndex((act) => deedOf(act) === 'masks' && act.areas.includes(resist));
  const under =
    points.length === 0
      ? undefined
      : plan.areas.findLast(({ outline }) => contains(outline, middleOf([points])));
  return under && at >= 0 ? hexOf(colourAt(plan, under.id, at)) : '#f6f5f0';
}

/** When all is painted, and after each pass, as the next begins. */
export const whitesMoments = (plan: Plan): { readonly id: string; readonly name: string }[] => [
  { id: '', name: 'when all is painted' },
  ...passChoices(plan),
];

/** Just before this, the next thing happens, s. */
const JUST_BEFORE_S = 1;

/** Times of the plan at which the panel is seen: colours as they are then, and masks by whether they are on. */
export function seenAt(
  { steps, masks }: Timeline,
  moment: string,
  uncovered: boolean,
): { readonly atS: number; readonly isOn: (masked: string) => boolean } {
  const at = steps.findIndex(({ act }) => act.id === moment);
  const next = steps.slice(at + 1).find(({ act }) => act.kind === 'pass');
  if (at >= 0 && next) {
    const atS = next.startS;
    const on = masks.filter(({ onS, offS }) => onS <= atS && (uncovered || atS < (offS ?? Infinity)));
    return { atS, isOn: (masked) => on.some(({ area }) => area === masked) };
  }
  // Just before the first comes off, when all that is kept can still be seen to be kept.
  const off = Math.min(Infinity, ...masks.map(({ offS }) => offS ?? Infinity));
  return { atS: uncovered ? Infinity : off - JUST_BEFORE_S, isOn: () => true };
}

/** The pencil, which is rubbed out when all is uncovered. */
export const pencilLines = (plan: Plan, uncovered: boolean): readonly BoardLine[] =>
  uncovered ? [] : plan.lines;

/** What the house would rather have for every part that is kept: the best way of each, where that is another. */
export const byHouseRules = (plan: Plan, ranked: readonly RankedWhite[]): Command[] =>
  plan.whites.flatMap((white): Command[] => {
    const best = ranked.find(({ area }) => area === white.area)?.ways.at(0)?.way ?? white.way;
    return best === white.way ? [] : [{ do: 'keep-white', white: { ...white, way: best } }];
  });

/** What lies over the areas at Whites: films of masked areas, and rings where something will fail. */
export const whitesOver = (
  drawing: PanelDrawing,
  findings: readonly Finding[],
  uncovered: boolean,
  taped: boolean,
): BoardOver => ({
  ...NOTHING_OVER,
  seenAs: uncovered ? 'uncovered' : taped ? 'taped' : 'worked-on',
  films: uncovered ? [] : drawing.shapes.filter(({ masked }) => masked).map(({ path }) => path),
  rings: findings.flatMap(({ station, where }) =>
    where.point && station === 'whites' ? [{ at: where.point, radiusMm: RING_MM }] : [],
  ),
});

/** How wide a place that fails is ringed, mm. */
const RING_MM = 1.8;

/** What masks go on after and come off after: the passes, as they are said. */
export const passChoices = (plan: Plan): { readonly id: string; readonly name: string }[] =>
  plan.acts
    .filter((act) => act.kind === 'pass')
    .map((act) => ({ id: act.id, name: `after: ${actInWords(plan, act)}` }));

/** A tool with its line, for a list to choose from. */
export const toolInWords = (id: Plan['resists'][number]['tool']): string => {
  const { name, leastMm, mostMm, throws } = maskingTool(id);
  return throws ? `${name}, drops ${leastMm}–${mostMm} mm` : `${name}, ${leastMm}–${mostMm} mm`;
};
