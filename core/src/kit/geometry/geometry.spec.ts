import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  bounds,
  contains,
  edgeLength,
  gapBetween,
  gapToLine,
  interiorPoint,
  isClosed,
  polygonArea,
  rectangle,
  simplifyLine,
  type Point,
  type Polygon,
} from '.';

const ring = (n: number, r: number, cx = 0, cy = 0): Point[] =>
  Array.from({ length: n }, (_, i) => [
    cx + r * Math.cos((2 * Math.PI * i) / n),
    cy + r * Math.sin((2 * Math.PI * i) / n),
  ]);

describe('polygons', () => {
  const frame: Polygon = [rectangle(0, 0, 100, 50)[0], rectangle(10, 10, 80, 30)[0]];

  it('measures area less holes, and every edge', () => {
    expect(polygonArea(frame)).toBe(100 * 50 - 80 * 30);
    expect(edgeLength(frame)).toBe(300 + 220);
    expect(polygonArea([ring(720, 10)])).toBeCloseTo(Math.PI * 100, 1);
    expect(bounds(frame)).toEqual([0, 0, 100, 50]);
  });

  it('knows inside from hole', () => {
    expect(contains(frame, [5, 25])).toBe(true);
    expect(contains(frame, [50, 25])).toBe(false);
    expect(contains(frame, [120, 25])).toBe(false);
  });

  it('measures the gap between circles against theory', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 21, max: 80, noNaN: true }),
        fc.double({ min: 0, max: 6.28, noNaN: true }),
        (d, angle) => {
          const gap = gapBetween([ring(120, 10)], [ring(120, 10, d * Math.cos(angle), d * Math.sin(angle))]);
          expect(Math.abs(gap - (d - 20))).toBeLessThan(0.02);
        },
      ),
      { numRuns: 30 },
    );
  });

  it('told not to measure beyond some distance, says the gap up to there', () => {
    const star = (cx: number, cy: number): Point[] =>
      ring(9, 6, cx, cy).map(([x, y], i) => (i % 2 ? [x, y] : [cx + 0.4 * (x - cx), cy + 0.4 * (y - cy)]));
    for (let i = 0; i < 40; i++) {
      const other = [star(8 + 0.5 * i, 3 * Math.sin(i))];
      // Every pair of corners and edges, without a look at boxes.
      const measured = Math.min(
        ...other[0].map((at) => gapToLine(at, [...star(0, 0), star(0, 0)[0]])),
        ...star(0, 0).map((at) => gapToLine(at, [...other[0], other[0][0]])),
      );
      const gap = gapBetween([star(0, 0)], other);
      if (gap > 0) expect(gap).toBeCloseTo(measured, 9);
      for (const most of [0.5, 3, 20])
        expect(gapBetween([star(0, 0)], other, most)).toBe(Math.min(gap, most));
    }
  });

  it('finds no gap between overlapping, crossing and nested regions', () => {
    expect(gapBetween(rectangle(0, 0, 10, 10), rectangle(5, 5, 10, 10))).toBe(0);
    expect(gapBetween(rectangle(0, 4, 20, 2), rectangle(9, 0, 2, 10))).toBe(0);
    expect(gapBetween(rectangle(0, 0, 100, 100), rectangle(40, 40, 5, 5))).toBe(0);
  });

  it('measures from the stretch of a line, not only its corners', () => {
    const line: Point[] = [
      [0, 0],
      [100, 0],
      [100, 40],
    ];
    expect(gapToLine([50, 3], line)).toBe(3);
    expect(gapToLine([96, 20], line)).toBe(4);
    expect(gapToLine([-3, -4], line)).toBe(5);
    expect(gapToLine([3, 4], [[0, 0]])).toBe(5);
  });

  it('keeps the gap to a region inside a hole', () =>
    expect(gapBetween(frame, rectangle(20, 20, 20, 10))).toBe(10));

  it('finds a point inside, clear of holes', () => {
    for (const polygon of [frame, [ring(60, 10)], rectangle(3, 3, 1, 40)])
      expect(contains(polygon, interiorPoint(polygon))).toBe(true);
  });

  it('finds a point that no other region covers, where one is left', () => {
    const covered = [rectangle(0, 0, 30, 40), rectangle(20, 0, 30, 30)];
    const at = interiorPoint(rectangle(0, 0, 60, 40), covered);
    expect(contains(rectangle(0, 0, 60, 40), at)).toBe(true);
    expect(covered.some((other) => contains(other, at))).toBe(false);
    expect(contains(rectangle(0, 0, 20, 20), interiorPoint(rectangle(0, 0, 20, 20), covered))).toBe(true);
  });

  it('finds it in an outline of thousands of corners at once', () => {
    const spiky = Array.from({ length: 5000 }, (_, i): [number, number] => {
      const [turn, out] = [(2 * Math.PI * i) / 5000, i % 2 ? 20 : 10];
      return [out * Math.cos(turn), out * Math.sin(turn)];
    });
    const begun = performance.now();
    for (let n = 0; n < 20; n++) interiorPoint([spiky]);
    // It took 4 s a time while each run was looked up among all corners.
    expect(performance.now() - begun).toBeLessThan(2000);
  });
});

describe('freehand lines', () => {
  it('keeps corners and drops what lies on the straight', () => {
    const corner = [...Array(50).keys()]
      .map((i) => [i, 0] as [number, number])
      .concat([...Array(50).keys()].map((i) => [49, i + 1]));
    expect(simplifyLine(corner, 0.1)).toEqual([
      [0, 0],
      [49, 0],
      [49, 50],
    ]);
  });

  it('stays within the tolerance', () => {
    const circle = ring(500, 20);
    const thin = simplifyLine(circle, 0.15);
    expect(thin.length).toBeLessThan(60);
    for (const [x, y] of thin) expect(Math.hypot(x, y)).toBeCloseTo(20, 6);
    expect(polygonArea([thin])).toBeGreaterThan(Math.PI * 400 * 0.985);
  });

  it('is closed when its ends nearly meet', () => {
    expect(isClosed([...ring(30, 10)], 4)).toBe(true);
    expect(isClosed(ring(30, 10).slice(0, 20), 4)).toBe(false);
  });
});
