import { describe, expect, it } from 'vitest';
import { contains, polygonArea, rectangle } from '../../kit/geometry';
import {
  addArea,
  addPass,
  smallPlan,
  applyCommands,
  areaOf,
  type Command,
  type Plan,
} from '../../document/plan';
import { cutOutArea, joinAreas, splitArea } from '.';

const did = (plan: Plan, commands: Command[] | null): Plan => applyCommands(plan, commands!).plan;
const size = (plan: Plan, id: string): number => polygonArea(areaOf(plan, id).outline);
let made = 0;
const newId = (): string => `part-${++made}`;

const plan = smallPlan(
  addArea('left', rectangle(10, 70, 20, 10)),
  addArea('right', rectangle(25, 70, 20, 10)),
  addArea('far', rectangle(100, 70, 20, 10)),
  addArea('middle', rectangle(15, 65, 5, 20)),
  addPass('p-left', 'left', 'blue'),
);

describe('areas', () => {
  it('that meet are made one, with what was planned for the first', () => {
    const one = did(plan, joinAreas(plan, 'left', 'right'));
    expect(size(one, 'left')).toBeCloseTo(350, 6);
    expect(one.areas.some(({ id }) => id === 'right')).toBe(false);
    expect(one.acts.find(({ id }) => id === 'p-left')!.areas).toEqual(['left']);
    expect(joinAreas(plan, 'left', 'far')).toBeNull();
  });

  it('are cut out of each other; parts that fall off are areas of their own', () => {
    const cut = did(plan, cutOutArea(plan, 'left', 'middle', newId));
    const parts = cut.areas.filter(({ name }) => name.startsWith('left'));
    expect(parts.map(({ outline }) => polygonArea(outline))).toEqual([
      expect.closeTo(100, 6),
      expect.closeTo(50, 6),
    ]);
    expect(contains(areaOf(cut, 'left').outline, [28, 75])).toBe(true);
    expect(size(cut, 'middle')).toBe(100);
    expect(cutOutArea(plan, 'left', 'far', newId)).toBeNull();
  });

  it('cut away whole are refused', () => {
    const over = did(plan, [addArea('cover', rectangle(0, 60, 60, 30))]);
    expect(cutOutArea(over, 'left', 'cover', newId)).toBeNull();
  });

  it('are split by a line right across, and not by one that stops within', () => {
    const line = (y: number): Command => ({
      do: 'add-line',
      line: {
        id: `line-${y}`,
        kind: 'pencil',
        points: [
          [5, 74, 0.5],
          [y, 74, 0.5],
        ],
      },
    });
    expect(splitArea(did(plan, [line(25)]), 'left', newId)).toBeNull();
    const drawn = did(plan, [line(60)]);
    const split = did(drawn, splitArea(drawn, 'left', newId));
    const parts = split.areas.filter(({ name }) => name.startsWith('left'));
    expect(parts).toHaveLength(2);
    expect(parts.reduce((sum, { outline }) => sum + polygonArea(outline), 0)).toBeCloseTo(200, 0);
  });
});
