import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { contains, edgeLength, type Point, type Polygon, polygonArea, rectangle } from '../../kit/geometry';
import { common, cutAway, edgeWithin, grown, joined, stroked, widthsOf } from '.';

const areaOf = (regions: readonly Polygon[]): number =>
  regions.reduce((sum, region) => sum + polygonArea(region), 0);
const disc = (x: number, y: number, radius: number, points = 720): Polygon => [
  Array.from({ length: points }, (_, i): Point => {
    const turn = (2 * Math.PI * i) / points;
    return [x + radius * Math.cos(turn), y + radius * Math.sin(turn)];
  }),
];
const ringOf = (outer: number, inner: number): Polygon => [disc(40, 40, outer)[0], disc(40, 40, inner)[0]];

const someRectangle = fc
  .record({
    x: fc.integer({ min: 0, max: 60 }),
    y: fc.integer({ min: 0, max: 60 }),
    width: fc.integer({ min: 1, max: 50 }),
    height: fc.integer({ min: 1, max: 50 }),
  })
  .map(({ x, y, width, height }) => rectangle(x, y, width, height));
const someRegions = fc.array(someRectangle, { minLength: 1, maxLength: 4 });

describe('regions', () => {
  it('joined, cut away and common add up as sets do', () => {
    fc.assert(
      fc.property(someRegions, someRegions, (one, other) => {
        const [both, either] = [areaOf(common(one, other)), areaOf(joined([...one, ...other]))];
        const [left, right] = [areaOf(joined(one)), areaOf(joined(other))];
        expect(either + both).toBeCloseTo(left + right, 3);
        expect(areaOf(cutAway(one, other)) + both).toBeCloseTo(left, 3);
      }),
    );
  });

  it('a hole is a hole whichever way round it was drawn', () => {
    for (const holed of [ringOf(20, 12), [ringOf(20, 12)[0], [...ringOf(20, 12)[1]].reverse()]]) {
      const [region] = joined([holed]);
      expect(region).toHaveLength(2);
      expect(contains(region, [40, 40])).toBe(false);
      expect(areaOf([region]) / (Math.PI * (400 - 144))).toBeCloseTo(1, 3);
    }
  });

  it('a disc grows and shrinks by its radius, a square rounds its corners', () => {
    expect(areaOf(grown([disc(40, 40, 10)], 3)) / (Math.PI * 169)).toBeCloseTo(1, 3);
    expect(areaOf(grown([disc(40, 40, 10)], -3)) / (Math.PI * 49)).toBeCloseTo(1, 2);
    expect(areaOf(grown([rectangle(0, 0, 20, 20)], 2)) / (400 + 4 * 40 + Math.PI * 4)).toBeCloseTo(1, 3);
    expect(grown([rectangle(0, 0, 20, 20)], -11)).toEqual([]);
  });

  it('a line has the area of its length and round ends', () => {
    expect(
      areaOf(
        stroked(
          [
            [
              [10, 10],
              [30, 10],
            ],
          ],
          2,
        ),
      ),
    ).toBeCloseTo(40 + Math.PI, 1);
  });
});

describe('shared edges', () => {
  it('two squares side by side share a side, and the corners that come near', () => {
    const [left, right] = [rectangle(0, 0, 20, 20), rectangle(21, 0, 20, 20)];
    const shared = edgeWithin(left, grown([right], 1.5));
    // The facing side is 1 mm off; of the two sides that meet it, what lies within 1.5 mm.
    expect(shared).toBeCloseTo(20 + 2 * 0.5, 2);
    expect(edgeWithin(left, grown([rectangle(40, 0, 20, 20)], 1.5))).toBe(0);
    expect(edgeWithin(left, [rectangle(-5, -5, 60, 60)])).toBeCloseTo(edgeLength(left), 3);
  });

  it('are what counting points along the edge gives, on sets of shapes', () => {
    fc.assert(
      fc.property(
        someRectangle,
        someRegions,
        // Sides stand whole millimetres apart: none lies right on the edge of what is near.
        fc.integer({ min: 0, max: 3 }),
        (one, others, whole) => {
          const gap = whole + 0.5;
          const near = grown(others, gap);
          const step = 0.02;
          let counted = 0;
          one[0].forEach((a, i) => {
            const b = one[0][(i + 1) % one[0].length];
            const steps = Math.round(Math.hypot(b[0] - a[0], b[1] - a[1]) / step);
            for (let n = 0; n < steps; n++) {
              const t = (n + 0.5) / steps;
              const at: Point = [a[0] + t * (b[0] - a[0]), a[1] + t * (b[1] - a[1])];
              if (near.some((region) => contains(region, at))) counted += step;
            }
          });
          expect(Math.abs(edgeWithin(one, near) - counted)).toBeLessThan(0.2);
        },
      ),
      { numRuns: 40 },
    );
  });
});

describe('the narrowest stretch', () => {
  it('of a bar, a disc and a ring is their width', () => {
    expect(widthsOf(rectangle(0, 0, 60, 6)).narrowestMm).toBeCloseTo(6, 1);
    expect(widthsOf(rectangle(0, 0, 148, 33.5)).narrowestMm).toBeCloseTo(33.5, 1);
    // The inscribed circle of a triangle of sides 30, 40 and 50 has radius 10.
    const triangle: Polygon = [
      [
        [0, 0],
        [40, 0],
        [0, 30],
      ],
    ];
    expect(Math.abs(widthsOf(triangle).narrowestMm - 20) / 20).toBeLessThan(0.03);
    expect(Math.abs(widthsOf(disc(40, 40, 9)).narrowestMm - 18) / 18).toBeLessThan(0.03);
    expect(Math.abs(widthsOf(ringOf(20, 15)).narrowestMm - 5) / 5).toBeLessThan(0.03);
  });

  it('of two blocks joined by a neck is the neck', () => {
    const [dumbbell] = joined([rectangle(0, 0, 20, 20), rectangle(19, 8, 22, 3), rectangle(40, 0, 20, 20)]);
    expect(widthsOf(dumbbell).narrowestMm).toBeCloseTo(3, 1);
  });
});
