import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { distance, type Point } from '../../kit/geometry';
import { lineMm, maskingTool, type Resist } from '../../drawing/masking';
import { smallPlan, type Plan } from '../../document/plan';
import { barrierGaps } from '.';

const PRESSURE = 0.5;
const WIDE = lineMm(maskingTool('ruling-pen'), PRESSURE);

const masked = (...strokes: (readonly Point[])[]): [Plan, Resist] => {
  const plan = smallPlan({
    do: 'put-resist',
    resist: {
      ...{ id: 'line', name: 'line', tool: 'ruling-pen', drops: [] },
      strokes: strokes.map((points, i) => ({
        id: `s${i}`,
        points: points.map(([x, y]) => [x, y, PRESSURE] as const),
      })),
    },
  });
  return [plan, plan.resists[0]];
};
const gapsIn = (...strokes: (readonly Point[])[]) => barrierGaps(...masked(...strokes));

/** A closed curve round the middle of the panel, as a hand might draw it. */
const curve = fc
  .record({
    radius: fc.double({ min: 16, max: 26, noNaN: true }),
    waves: fc.array(
      fc.tuple(fc.double({ min: 0, max: 0.12, noNaN: true }), fc.double({ min: 0, max: 6.28, noNaN: true })),
      { minLength: 3, maxLength: 3 },
    ),
    from: fc.double({ min: 0, max: 6.28, noNaN: true }),
  })
  .map(({ radius, waves, from }) => (turn: number): Point => {
    const a = from + turn;
    const r = waves.reduce((sum, [high, at], k) => sum * (1 + high * Math.cos((k + 2) * a + at)), radius);
    return [74 + r * Math.cos(a), 50 + r * Math.sin(a)];
  });

const along = (at: (turn: number) => Point, from: number, to: number): Point[] =>
  Array.from({ length: 241 }, (_, i) => at(from + ((to - from) * i) / 240));

describe('gaps in a mask', () => {
  it('from 0.2 mm on are found where they are and as wide as they are, and none is invented', () => {
    fc.assert(
      fc.property(curve, fc.double({ min: 0.2, max: 1.2, noNaN: true }), (at, gapMm) => {
        expect(gapsIn(along(at, 0, 2 * Math.PI + 0.05))).toEqual([]);
        // The stroke ends so far from its beginning that between the round ends there is just the gap.
        let [low, high] = [0, 1];
        while (high - low > 1e-7) {
          const middle = (low + high) / 2;
          if (distance(at(0), at(2 * Math.PI - middle)) < gapMm + WIDE) low = middle;
          else high = middle;
        }
        const gaps = gapsIn(along(at, 0, 2 * Math.PI - low));
        expect(gaps).toHaveLength(1);
        expect(Math.abs(gaps[0].mm - gapMm)).toBeLessThan(0.05);
        expect(distance(gaps[0].at, at(-low / 2))).toBeLessThan(1);
      }),
      { numRuns: 30 },
    );
  });

  it('two in one line are both found; what only touches is closed', () => {
    const ring = (turn: number): Point => [74 + 20 * Math.cos(turn), 50 + 20 * Math.sin(turn)];
    const open = (0.5 + WIDE) / 20;
    expect(gapsIn(along(ring, 0, Math.PI - open), along(ring, Math.PI, 2 * Math.PI - open))).toHaveLength(2);
    expect(gapsIn(along(ring, 0, Math.PI), along(ring, Math.PI, 2 * Math.PI))).toEqual([]);
  });

  it('a line across the panel must go on to its edges; a stroke that parts nothing has no gap', () => {
    const across = (left: number, right: number): Point[] => [
      [left, 40],
      [74, 45],
      [right, 40],
    ];
    expect(gapsIn(across(0, 148))).toEqual([]);
    const [gap] = gapsIn(across(0, 148 - WIDE / 2 - 0.6));
    expect(gap.mm).toBeCloseTo(0.6, 1);
    expect(gapsIn(across(30, 110))).toEqual([]);
    // A bay in a closed line is its shape and no gap.
    const bay: Point[] = [
      ...([
        [40, 20],
        [100, 20],
        [100, 49.2],
        [60, 49.2],
        [60, 50.8],
        [100, 50.8],
        [100, 80],
        [40, 80],
        [40, 19],
      ] as const),
    ];
    expect(gapsIn(bay)).toEqual([]);
  });
});
