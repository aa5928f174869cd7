import { expect, it } from 'vitest';
import { polygonArea } from '../../kit/geometry';
import {
  lineNear,
  linesWithin,
  packPoints,
  regionOfLine,
  smoothLine,
  unpackPoints,
  type PencilPoint,
} from '.';

const circle = (turn: number): PencilPoint[] =>
  Array.from({ length: 120 }, (_, i) => {
    const a = (turn * 2 * Math.PI * i) / 119;
    return [40 + 15 * Math.cos(a), 40 + 15 * Math.sin(a), 0.5];
  });

it('a line that comes back encloses a region, one that does not, none', () => {
  const region = regionOfLine(circle(0.98))!;
  expect(Math.abs(polygonArea(region) / (Math.PI * 225) - 1)).toBeLessThan(0.02);
  expect(regionOfLine(circle(0.6))).toBeNull();
  expect(
    regionOfLine([
      [1, 1, 1],
      [1.2, 1, 1],
      [1.2, 1.2, 1],
      [1, 1.2, 1],
      [1, 1, 1],
    ]),
  ).toBeNull();
});

it('smoothing keeps pressure with its point', () => {
  const line = smoothLine([
    [0, 0, 0.1],
    [5, 0, 0.4],
    [10, 0, 0.9],
  ]);
  expect(line).toEqual([
    [0, 0, 0.1],
    [10, 0, 0.9],
  ]);
});

it('packing for the journal keeps a hundredth of a millimetre', () => {
  const points: PencilPoint[] = [
    [12.345, -3.2, 0.1234],
    [0, 99.999, 1],
  ];
  const back = unpackPoints(packPoints(points));
  back.forEach(([x, y, p], i) => {
    expect(Math.abs(x - points[i][0])).toBeLessThanOrEqual(0.00501);
    expect(Math.abs(y - points[i][1])).toBeLessThanOrEqual(0.00501);
    expect(Math.abs(p - points[i][2])).toBeLessThanOrEqual(0.000501);
  });
});

it('a straight line is found near in its middle, where smoothing has left no point', () => {
  const straight = {
    id: 'straight',
    kind: 'pencil' as const,
    points: smoothLine([
      [0, 0, 0.5],
      [40, 0, 0.5],
      [80, 0, 0.5],
    ]),
  };
  const above = {
    id: 'above',
    kind: 'pencil' as const,
    points: smoothLine([
      [30, -5, 0.5],
      [30, 5, 0.5],
    ]),
  };
  expect(straight.points).toHaveLength(2);
  expect(lineNear([straight], [40, 1], 1.5)?.id).toBe('straight');
  expect(lineNear([straight, above], [30, 0.5], 1.5)?.id).toBe('above');
  expect(lineNear([straight, above], [40, 3], 1.5)).toBeUndefined();
  expect(linesWithin([straight, above], [29, -6, 2, 12])).toEqual(['above']);
});
