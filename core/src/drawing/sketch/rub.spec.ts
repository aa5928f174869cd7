import fc from 'fast-check';
import { expect, it } from 'vitest';
import type { Point } from '../../kit/geometry';
import { rubbed, type PencilPoint } from '.';

const lengthOf = (points: readonly PencilPoint[]): number =>
  points.slice(1).reduce((sum, [x, y], i) => sum + Math.hypot(x - points[i][0], y - points[i][1]), 0);

it('a rubber across a line leaves its two ends, with the pressure they had; beside it, the line itself', () => {
  const line: PencilPoint[] = [
    [0, 10, 0],
    [100, 10, 1],
  ];
  const across: Point[] = [
    [50, 0],
    [50, 20],
  ];
  expect(rubbed(line, across, 4)).toEqual([
    [
      [0, 10, 0],
      [48, 10, 0.48],
    ],
    [
      [52, 10, 0.52],
      [100, 10, 1],
    ],
  ]);
  expect(rubbed(line, [[50, 12.1]], 4)).toBeNull();
  expect(
    rubbed(
      line,
      [
        [0, 10],
        [100, 10],
      ],
      4,
    ),
  ).toEqual([]);
});

it('what is left of any line is what lies further from the way than the rubber reaches', () => {
  const at = fc.tuple(
    fc.double({ min: 0, max: 60, noNaN: true }),
    fc.double({ min: 0, max: 60, noNaN: true }),
  );
  fc.assert(
    fc.property(
      fc.array(at, { minLength: 2, maxLength: 8 }),
      fc.array(at, { minLength: 1, maxLength: 4 }),
      (points, way) => {
        const line = points.map(([x, y]): PencilPoint => [x, y, 0.5]);
        const offWay = (x: number, y: number): number =>
          Math.min(...way.map((b, i) => offLeg([x, y], way[Math.max(0, i - 1)], b)));
        let outside = 0;
        const steps = 1000;
        for (let i = 1; i < line.length; i++) {
          const [from, to] = [line[i - 1], line[i]];
          const length = Math.hypot(to[0] - from[0], to[1] - from[1]);
          for (let s = 0; s < steps; s++) {
            const t = (s + 0.5) / steps;
            if (offWay(from[0] + t * (to[0] - from[0]), from[1] + t * (to[1] - from[1])) > 5)
              outside += length / steps;
          }
        }
        const left = (rubbed(line, way, 10) ?? [line]).reduce((sum, part) => sum + lengthOf(part), 0);
        // Crumbs under 0.3 mm go: at most one between two legs of the way.
        expect(left).toBeLessThan(outside + 0.5 + points.length * 0.15);
        expect(left).toBeGreaterThan(outside - 0.5 - 0.3 * points.length * way.length);
      },
    ),
    { numRuns: 100 },
  );
});

/** Distance of a point from a leg, the nearest of its points. */
function offLeg([x, y]: Point, a: Point, b: Point): number {
  const [dx, dy] = [b[0] - a[0], b[1] - a[1]];
  const length2 = dx * dx + dy * dy;
  const t = length2 === 0 ? 0 : Math.max(0, Math.min(1, ((x - a[0]) * dx + (y - a[1]) * dy) / length2));
  return Math.hypot(x - a[0] - t * dx, y - a[1] - t * dy);
}
