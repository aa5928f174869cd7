import {
  bounds,
  contains,
  edgeLength,
  gapBetween,
  gapToLine,
  type Point,
  type Polygon,
  polygonArea,
} from '../../kit/geometry';
import { paintedOf, type Plan } from '../../document/plan';
import { asPart, done, type Work } from '../../kit/units';
import { edgeWithin, grown } from './combine';

/** An upright rectangle, mm. */
export interface Room {
  readonly xMm: number;
  readonly yMm: number;
  readonly widthMm: number;
  readonly heightMm: number;
}

/** Where what is painted lies on its panel. */
export interface Composition {
  /** What is left between the subject and each edge of the panel; `null` where every area goes over an edge, or none is there. */
  readonly margins: Readonly<Record<'left' | 'right' | 'top' | 'bottom', number>> | null;
  /** Where the weight of the areas hangs, from the middle of the panel: right and down, mm; `null` without any. */
  readonly weight: readonly [rightMm: number, downMm: number] | null;
  /** The largest room that no outline and no line crosses. */
  readonly quiet: Room | null;
  readonly kisses: readonly Kiss[];
}

/** Two things that just meet, or one that just meets the edge of the panel: it holds the eye where nothing is meant. */
export interface Kiss {
  readonly area: string;
  /** The other area; `null` for the edge of the panel. */
  readonly other: string | null;
  readonly gapMm: number;
}

/** Nearer than this two things seem to touch, mm; they do it along too short a way if it is under this share of the smaller’s edge. Ours. */
const KISSING_MM = 1.2;
const SHORT_SHARE = 0.12;

/** Further apart nothing is measured, mm. */
const FAR_MM = 2 * KISSING_MM;

/** Words want so much air round what is drawn, mm, and quiet room is looked for in steps of so much. */
const AIR_MM = 2;
const STEP_MM = 1;

/** Edges whose air is taken before anybody may stop it. */
const EDGES_AT_ONCE = 10;

/**
 * How a panel is laid out. `darkness` tells how heavy the colour of an area hangs, 0 for bare paper to 1 for black; an
 * area nobody has a colour for yet counts as half.
 */
export function* composing(plan: Plan, darkness: ReadonlyMap<string, number>): Work<Composition> {
  const { panel } = paintedOf(plan);
  return {
    margins: marginsOf(plan, panel),
    weight: weightOf(plan, panel, darkness),
    quiet: yield* asPart(quietRoom(plan, panel), 0, 0.5),
    kisses: yield* asPart(kissesOf(plan, panel), 0.5, 1),
  };
}

/** The same in one go. */
export const composition = (plan: Plan, darkness: ReadonlyMap<string, number>): Composition =>
  done(composing(plan, darkness));

interface Panel {
  readonly widthMm: number;
  readonly heightMm: number;
}

/** A background goes to an edge; the subject is what does not. */
const reachesEdge = (outline: Polygon, { widthMm, heightMm }: Panel): boolean => {
  const [x, y, w, h] = bounds(outline);
  return x <= 0 || y <= 0 || x + w >= widthMm || y + h >= heightMm;
};

function marginsOf({ areas }: Plan, panel: Panel): Composition['margins'] {
  const subject = areas.filter(({ outline }) => !reachesEdge(outline, panel));
  if (subject.length === 0) return null;
  const [x, y, w, h] = bounds([subject.flatMap(({ outline }) => outline[0])]);
  return { left: x, right: panel.widthMm - x - w, top: y, bottom: panel.heightMm - y - h };
}

function weightOf(
  { areas }: Plan,
  panel: Panel,
  darkness: ReadonlyMap<string, number>,
): Composition['weight'] {
  let [all, right, down] = [0, 0, 0];
  for (const { id, outline } of areas) {
    const weight = polygonArea(outline) * (darkness.get(id) ?? 0.5);
    const [x, y] = centroid(outline);
    all += weight;
    right += weight * (x - panel.widthMm / 2);
    down += weight * (y - panel.heightMm / 2);
  }
  return all > 0 ? [right / all, down / all] : null;
}

/** The middle of the area of a polygon, its holes taken out. */
function centroid(outline: Polygon): Point {
  let [twice, x, y] = [0, 0, 0];
  outline.forEach((ring, n) => {
    let [ringTwice, ringX, ringY] = [0, 0, 0];
    for (let i = 0; i < ring.length; i++) {
      const [[x0, y0], [x1, y1]] = [ring[i], ring[(i + 1) % ring.length]];
      const cross = x0 * y1 - x1 * y0;
      ringTwice += cross;
      ringX += (x0 + x1) * cross;
      ringY += (y0 + y1) * cross;
    }
    // Whichever way a ring runs, the outer one counts and the holes count against it.
    const sign = Math.sign(ringTwice) * (n === 0 ? 1 : -1);
    twice += sign * ringTwice;
    x += sign * ringX;
    y += sign * ringY;
  });
  return [x / (3 * twice), y / (3 * twice)];
}

/** The largest upright rectangle of free squares, row by row over the heights of free columns (largest rectangle under a histogram). */
function* quietRoom(plan: Plan, { widthMm, heightMm }: Panel): Work<Room | null> {
  const [columns, rows] = [Math.floor(widthMm / STEP_MM), Math.floor(heightMm / STEP_MM)];
  const free = yield* freeSquares(plan, columns, rows);
  const heights = new Array<number>(columns + 1).fill(0);
  let best: Room | null = null;
  for (let row = 0; row < rows; row++) {
    for (let column = 0; column < columns; column++)
      heights[column] = free[row * columns + column] ? heights[column] + 1 : 0;
    const rising: number[] = [];
    for (let column = 0; column <= columns; column++) {
      while (rising.length > 0 && heights[rising[rising.length - 1]] >= heights[column]) {
        const high = heights[rising.pop()!];
        const from = rising.length > 0 ? rising[rising.length - 1] + 1 : 0;
        if (high * (column - from) * STEP_MM * STEP_MM > (best ? best.widthMm * best.heightMm : 0))
          best = {
            ...{ xMm: from * STEP_MM, yMm: (row + 1 - high) * STEP_MM },
            ...{ widthMm: (column - from) * STEP_MM, heightMm: high * STEP_MM },
          };
      }
      rising.push(column);
    }
  }
  return best;
}

/** Squares that are far enough from every outline and every line, row by row. */
function* freeSquares({ areas, lines }: Plan, columns: number, rows: number): Work<Uint8Array> {
  const free = new Uint8Array(columns * rows).fill(1);
  const reach = AIR_MM + STEP_MM / Math.SQRT2;
  const drawn = [
    ...areas.flatMap(({ outline }) => outline.map((ring) => [...ring, ring[0]])),
    ...lines.map(({ points }) => points.map(([x, y]): Point => [x, y])),
  ];
  for (const [n, line] of drawn.entries()) {
    for (let i = 1; i < line.length; i++) {
      if (i % EDGES_AT_ONCE === 1) yield (n + i / line.length) / drawn.length;
      const [from, to] = [line[i - 1], line[i]];
      const column = (x: number): number => Math.floor(x / STEP_MM);
      const [left, right] = [Math.min(from[0], to[0]) - reach, Math.max(from[0], to[0]) + reach];
      const [top, bottom] = [Math.min(from[1], to[1]) - reach, Math.max(from[1], to[1]) + reach];
      for (let r = Math.max(0, column(top)); r <= Math.min(rows - 1, column(bottom)); r++)
        for (let c = Math.max(0, column(left)); c <= Math.min(columns - 1, column(right)); c++)
          if (gapToLine([(c + 0.5) * STEP_MM, (r + 0.5) * STEP_MM], [from, to]) < reach)
            free[r * columns + c] = 0;
    }
  }
  return free;
}

function* kissesOf({ areas }: Plan, panel: Panel): Work<Kiss[]> {
  const kisses: Kiss[] = [];
  const reaches = new Map<string, readonly Polygon[]>();
  const reachOf = ({ id, outline }: Plan['areas'][number]): readonly Polygon[] => {
    const reach = reaches.get(id) ?? grown([outline], KISSING_MM);
    reaches.set(id, reach);
    return reach;
  };
  for (const [i, one] of areas.entries()) {
    const gapMm = gapToEdge(one.outline, panel);
    if (gapMm > 0 && gapMm < 2 * KISSING_MM) kisses.push({ area: one.id, other: null, gapMm });
    for (const other of areas.slice(i + 1)) {
      yield i / areas.length;
      const gap = gapBetween(one.outline, other.outline, FAR_MM);
      if (gap > KISSING_MM || overlaps(one.outline, other.outline)) continue;
      const [small, large] = edgeOf(one.outline) < edgeOf(other.outline) ? [one, other] : [other, one];
      const shared = edgeWithin(small.outline, reachOf(large));
      if (shared < SHORT_SHARE * edgeOf(small.outline))
        kisses.push({ area: one.id, other: other.id, gapMm: gap });
    }
  }
  return kisses;
}

/** How far an area that lies within the panel is from its nearest edge, mm; 0 or less for one that reaches it. */
function gapToEdge(outline: Polygon, { widthMm, heightMm }: Panel): number {
  const [x, y, w, h] = bounds(outline);
  return Math.min(x, y, widthMm - x - w, heightMm - y - h);
}

const edgeOf = ([outer]: Polygon): number => edgeLength([outer]);

/** Whether one lies over a good part of the other: then they do not just meet. */
const overlaps = (one: Polygon, other: Polygon): boolean => {
  const inside = (a: Polygon, b: Polygon): boolean =>
    a[0].filter((point) => contains(b, point)).length > a[0].length / 10;
  return inside(one, other) || inside(other, one);
};
