import { expect, it } from 'vitest';
import { polygonArea, type Point } from '../../kit/geometry';
import { smallPlan, applyCommands, type Command, type Plan } from '../../document/plan';
import { mirrored, moved, placedLine, scaled, turned, type PencilLine } from '../../drawing/sketch';
import { copyLines, linesRound, placeLines, regionAt } from '.';

const line = (id: string, ...points: [number, number][]): PencilLine => ({
  id,
  kind: 'pencil',
  points: points.map(([x, y], i) => [x, y, points.length === 1 ? 0.5 : i / (points.length - 1)]),
});

const drawn = (...lines: PencilLine[]): Plan => {
  const { plan } = applyCommands(
    { ...smallPlan(), areas: [] },
    lines.map((l): Command => ({ do: 'add-line', line: l })),
  );
  return plan;
};

let made = 0;
const newId = (): string => `new-${made++}`;

it('placing: two mirrors are a turn, four right angles nothing, a scale and its inverse nothing', () => {
  const about: Point = [30, 20];
  const { points } = line('l', [3, 4], [50, 7], [22, 41]);
  const twice = placedLine(mirrored('upside-down', about), placedLine(mirrored('left-right', about), points));
  expect(twice).toEqual(placedLine(turned(180, about), points));
  let round = points;
  for (let i = 0; i < 4; i++) round = placedLine(turned(90, about), round);
  expect(round).toEqual(points);
  expect(placedLine(scaled(0.5, about), placedLine(scaled(2, about), points))).toEqual(points);
});

it('an area goes with its lines, is filled anew when some of them move, and is drawn again with them', () => {
  const sides = [
    line('top', [10, 10], [40, 10]),
    line('right', [40, 10], [40, 40]),
    line('bottom', [40, 40], [10, 40]),
    line('left', [10, 40], [10, 10]),
  ];
  const bare = drawn(...sides);
  const outline = regionAt(bare.lines, [20, 20], { widthMm: 148, heightMm: 100 })!;
  const lines = linesRound(outline, [...bare.lines, line('elsewhere', [60, 60], [80, 80])]);
  expect(lines).toEqual(['top', 'right', 'bottom', 'left']);
  const plan = applyCommands(bare, [
    { do: 'add-area', area: { id: 'box', name: 'box', outline, lines } },
  ]).plan;

  const along = applyCommands(plan, placeLines(plan, lines, moved(5, 7))).plan;
  expect(along.areas[0].outline[0].map(([x]) => x).reduce((a, b) => Math.min(a, b))).toBeCloseTo(15, 1);

  const wider = applyCommands(plan, placeLines(plan, ['right'], moved(0.8, 0))).plan;
  expect(polygonArea(wider.areas[0].outline)).toBeGreaterThan(polygonArea(outline) + 15);

  const torn = applyCommands(plan, placeLines(plan, ['right'], moved(30, 30))).plan;
  expect(torn.areas[0].outline).not.toEqual([]);

  const copied = applyCommands(plan, copyLines(plan, lines, moved(50, 0), newId)).plan;
  expect(copied.lines).toHaveLength(8);
  expect(copied.areas).toHaveLength(2);
  expect(polygonArea(copied.areas[1].outline)).toBeCloseTo(polygonArea(outline), 1);
  expect(new Set(copied.areas[1].lines)).toEqual(new Set(copied.lines.slice(4).map(({ id }) => id)));
});

it('undo of a line drawn anew gives back the very plan', () => {
  const plan = drawn(line('a', [0, 0], [10, 10]), line('b', [5, 5], [20, 5]));
  const { plan: after, inverse } = applyCommands(plan, placeLines(plan, ['a'], turned(30, [0, 0])));
  expect(after.lines[1]).toBe(plan.lines[1]);
  expect(inverse.length).toBeGreaterThan(0);
  expect(after.lines.map(({ id }) => id)).toEqual(['a', 'b']);
});
