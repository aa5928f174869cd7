import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { fluidMl as fluidOf, footprint } from '../../order/areas';
import { contains, gapToLine, polygonArea, type Point, type Polygon } from '../../kit/geometry';
import { maskSetting } from '../../simulation/water';
import {
  liftedBy,
  lineMm,
  MASKING_TOOLS,
  maskingTool,
  packResists,
  type Resist,
  resistSchema,
  setsAfter,
  unpackResists,
} from '.';

const resist = (
  tool: Resist['tool'],
  points: [number, number, number][],
  drops: Resist['drops'] = [],
): Resist =>
  resistSchema.parse({
    id: 'r',
    name: 'r',
    tool,
    strokes: points.length > 0 ? [{ id: 's', points }] : [],
    drops,
  });
const footprintOf = (r: Resist): readonly Polygon[] => footprint({ areas: [], resists: [r] }, r.id);
const fluidMl = (r: Resist): number => fluidOf({ areas: [], resists: [r] }, r);
const areaOf = (r: Resist): number => footprintOf(r).reduce((sum, region) => sum + polygonArea(region), 0);

describe('what a mask covers', () => {
  it('an even stroke is as wide as its tool at that pressure, with round ends', () => {
    const pen = maskingTool('ruling-pen');
    const width = lineMm(pen, 0.5);
    expect(width).toBeCloseTo(0.75, 9);
    const line = resist('ruling-pen', [
      [0, 0, 0.5],
      [40, 0, 0.5],
    ]);
    expect(areaOf(line) / (40 * width + (Math.PI * width * width) / 4)).toBeCloseTo(1, 2);
  });

  it('one that swells covers what lies within its width there, and crossing itself it counts once', () => {
    fc.assert(
      fc.property(
        fc.array(
          fc.tuple(
            fc.integer({ min: 0, max: 30 }),
            fc.integer({ min: 0, max: 30 }),
            fc.double({ min: 0, max: 1, noNaN: true }),
          ),
          { minLength: 2, maxLength: 7 },
        ),
        fc.array(
          fc.tuple(
            fc.double({ min: -2, max: 32, noNaN: true }),
            fc.double({ min: -2, max: 32, noNaN: true }),
          ),
          { minLength: 20, maxLength: 20 },
        ),
        (points, places) => {
          const tool = maskingTool('pointed-brush');
          const covered = footprintOf(resist('pointed-brush', points));
          for (const place of places as Point[]) {
            const inside = covered.some((region) => contains(region, place));
            // Swelling evenly from one place to the next, its half-width there is known.
            const slack = Math.min(
              ...points.slice(1).map(([bx, by, bp], i) => {
                const [ax, ay, ap] = points[i];
                let least = Infinity;
                for (let n = 0; n <= 400; n++) {
                  const t = n / 400;
                  const at = Math.hypot(ax + t * (bx - ax) - place[0], ay + t * (by - ay) - place[1]);
                  least = Math.min(least, at - lineMm(tool, ap + t * (bp - ap)) / 2);
                }
                return least;
              }),
            );
            if (Math.abs(slack) > 0.08) expect(inside).toBe(slack < 0);
          }
        },
      ),
      { numRuns: 60 },
    );
  });

  it('a bottle leaves a blob where it first touches; drops are as wide as they are', () => {
    const bottle = resist('fine-tip', [
      [10, 10, 0],
      [30, 10, 0],
    ]);
    expect(footprintOf(bottle).some((region) => contains(region, [10, 11.1]))).toBe(true);
    expect(footprintOf(bottle).some((region) => contains(region, [30, 11.1]))).toBe(false);
    expect(areaOf(resist('toothbrush', [], [[5, 5, 0.8]])) / (Math.PI * 0.16)).toBeCloseTo(1, 2);
  });

  it('fluid is footprint times coat, and wax takes none', () => {
    const line: [number, number, number][] = [
      [0, 0, 1],
      [100, 0, 1],
    ];
    // 4 mm × 100 mm and its ends at 32 µm: a hundredth of a millilitre and a bit.
    expect(fluidMl(resist('pointed-brush', line))).toBeCloseTo(((400 + 4 * Math.PI) * 32) / 1e6, 4);
    expect(fluidMl(resist('wax', line))).toBe(0);
  });

  it('a rubber takes off strokes it meets, whole, and drops one by one', () => {
    const two = resistSchema.parse({
      ...{
        id: 'r',
        name: 'r',
        tool: 'ruling-pen',
        drops: [
          [5, 50, 0.6],
          [60, 50, 0.6],
        ],
      },
      strokes: [
        {
          id: 'a',
          points: [
            [0, 0, 0.5],
            [30, 0, 0.5],
          ],
        },
        {
          id: 'b',
          points: [
            [0, 20, 0.5],
            [30, 20, 0.5],
          ],
        },
      ],
    });
    const way: Point[] = [
      [30, 1],
      [30, 2],
    ];
    const left = liftedBy(two, way, 4);
    expect(left).toEqual({ strokes: ['a'], drops: [] });
    // Between two places of the hand as well.
    expect(
      liftedBy(
        two,
        [
          [12, -9],
          [12, 9],
        ],
        4,
      ).strokes,
    ).toEqual(['a']);
    expect(liftedBy(two, [[5, 49]], 4)).toEqual({ strokes: [], drops: [0] });
    expect(
      gapToLine(
        [30, 2],
        two.strokes[1].points.map(([x, y]): Point => [x, y]),
      ),
    ).toBeGreaterThan(4);
  });
});

describe('packed', () => {
  it('masks come out as they went in, with the right strokes and drops', () => {
    const two = [
      resist(
        'ruling-pen',
        [
          [1.25, 2, 0.5],
          [3, 4.001, 0.25],
        ],
        [[9, 9, 0.4]],
      ),
      { ...resist('marker', [[5, 5, 1]]), id: 'other' },
      {
        ...resist(
          'toothbrush',
          [],
          [
            [1, 2, 0.3],
            [4, 5, 0.6],
          ],
        ),
        id: 'spray',
      },
    ];
    expect(unpackResists(packResists(two))).toEqual(two);
    expect(unpackResists(packResists([]))).toEqual([]);
  });
});

describe('when it sets', () => {
  const air = { tempC: 20, rh: 0.5, airMs: 0 };
  it('goes with the coat: a brush in the trade’s five minutes, a bead in twice that, wax at once', () => {
    const setOf = (id: Resist['tool']): number => setsAfter(maskingTool(id), air).setS!;
    expect(setOf('pointed-brush')).toBe(maskSetting(air).setS);
    expect(setOf('pointed-brush') / 60).toBeGreaterThan(4);
    expect(setOf('pointed-brush') / 60).toBeLessThan(7);
    expect(setOf('fine-tip') / setOf('pointed-brush')).toBeCloseTo(60 / 32, 9);
    expect(setOf('wax')).toBeLessThanOrEqual(60);
    expect(setsAfter(maskingTool('marker'), { ...air, rh: 1 }).setS).toBeNull();
    expect(setsAfter(maskingTool('wax'), { ...air, rh: 1 }).setS).not.toBeNull();
  });

  it('every tool has a range of lines and says what to mind', () => {
    for (const { leastMm, mostMm, caution, coatUm, stays } of MASKING_TOOLS) {
      expect(leastMm).toBeLessThan(mostMm);
      expect(caution.length).toBeGreaterThan(20);
      expect(coatUm === null).toBe(stays);
    }
  });
});
