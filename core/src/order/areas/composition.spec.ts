import { expect, it } from 'vitest';
import { gapToLine, rectangle, type Point, type Polygon } from '../../kit/geometry';
import { addArea, smallPlan, applyCommands, type Plan } from '../../document/plan';
import { chance } from '../../kit/units';
import { composition } from '.';

const laid = (...areas: [string, Polygon][]): Plan =>
  applyCommands(
    { ...smallPlan(), areas: [], acts: [] },
    areas.map(([id, outline]) => addArea(id, outline)),
  ).plan;
const disc = (x: number, y: number, r: number): Polygon => [
  Array.from({ length: 72 }, (_, i): Point => [
    x + r * Math.cos((i * Math.PI) / 36),
    y + r * Math.sin((i * Math.PI) / 36),
  ]),
];
const none = new Map<string, number>();

it('margins are those of the subject; a ground that goes to the edge is none', () => {
  const plan = laid(['sky', rectangle(0, 0, 148, 60)], ['boat', rectangle(40, 30, 50, 40)]);
  expect(composition(plan, none).margins).toEqual({ left: 40, right: 58, top: 30, bottom: 30 });
  expect(composition(laid(['sky', rectangle(0, 0, 148, 60)]), none).margins).toBeNull();
});

it('weight hangs where the dark is: by area and darkness, holes left out', () => {
  const two = laid(['left', rectangle(10, 40, 20, 20)], ['right', rectangle(118, 40, 20, 20)]);
  expect(composition(two, none).weight).toEqual([expect.closeTo(0, 9), expect.closeTo(0, 9)]);
  const [right] = composition(
    two,
    new Map([
      ['left', 0.25],
      ['right', 0.75],
    ]),
  ).weight!;
  expect(right).toBeCloseTo((-54 * 0.25 + 54 * 0.75) / 1, 6);
  const holed = laid(['ring', [...rectangle(0, 0, 148, 100), rectangle(74, 0, 74, 100)[0]]]);
  expect(composition(holed, none).weight![0]).toBeCloseTo(-37, 6);
  expect(composition(laid(), none).weight).toBeNull();
});

it('quiet room is the largest: no other rectangle clear of all outlines and lines is larger', () => {
  const random = chance(4);
  for (let n = 0; n < 6; n++) {
    const plan = laid(
      ...Array.from({ length: 4 }, (_, i): [string, Polygon] => [
        `a${i}`,
        rectangle(10 + 100 * random(), 10 + 70 * random(), 5 + 20 * random(), 5 + 15 * random()),
      ]),
    );
    const { quiet } = composition(plan, none);
    const edges = plan.areas.flatMap(({ outline }) => outline.map((ring) => [...ring, ring[0]]));
    const clear = (x: number, y: number): boolean =>
      edges.every((edge) => gapToLine([x, y], edge) >= 2 + Math.SQRT1_2);
    // Brute force: prefix sums of squares that are not clear, every rectangle on the grid of 2 mm.
    const [columns, rows] = [148, 100];
    const sums = new Int32Array((columns + 1) * (rows + 1));
    for (let r = 0; r < rows; r++)
      for (let c = 0; c < columns; c++)
        sums[(r + 1) * (columns + 1) + c + 1] =
          (clear(c + 0.5, r + 0.5) ? 0 : 1) +
          sums[r * (columns + 1) + c + 1] +
          sums[(r + 1) * (columns + 1) + c] -
          sums[r * (columns + 1) + c];
    const blocked = (x: number, y: number, w: number, h: number): number =>
      sums[(y + h) * (columns + 1) + x + w] -
      sums[y * (columns + 1) + x + w] -
      sums[(y + h) * (columns + 1) + x] +
      sums[y * (columns + 1) + x];
    let largest = 0;
    for (let x = 0; x < columns; x += 2)
      for (let y = 0; y < rows; y += 2)
        for (let w = 2; x + w <= columns; w += 2)
          for (let h = 2; y + h <= rows; h += 2)
            if (w * h > largest && blocked(x, y, w, h) === 0) largest = w * h;
    expect(blocked(quiet!.xMm, quiet!.yMm, quiet!.widthMm, quiet!.heightMm)).toBe(0);
    expect(quiet!.widthMm * quiet!.heightMm).toBeGreaterThanOrEqual(largest);
  }
});

it('what just meets is told: two rounds tip to tip, one near the edge; what lies along or over another is not', () => {
  const kisses = composition(
    laid(
      ['one', disc(40, 50, 15)],
      ['two', disc(70.5, 50, 15)],
      ['near the edge', disc(132, 20, 14.5)],
      ['over', disc(46, 58, 8)],
    ),
    none,
  ).kisses;
  expect(kisses.map(({ area, other }) => [area, other])).toEqual([
    ['one', 'two'],
    ['near the edge', null],
  ]);
  expect(kisses[0].gapMm).toBeCloseTo(0.5, 1);
  const along = composition(
    laid(['sky', rectangle(0, 0, 148, 50)], ['field', rectangle(0, 50.5, 148, 40)]),
    none,
  );
  expect(along.kisses).toEqual([]);
});
