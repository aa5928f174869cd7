import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { convexHull, distance, polygonArea, smallestCircle, contains, type Point } from '../../kit/geometry';
import {
  disagreeing,
  guideLines,
  guideSchema,
  isEllipse,
  meantEllipse,
  rimEllipse,
  type Ellipse,
  type Sight,
} from '.';

/** A level circle seen through a picture plane: each of its points projected by the eye, as a construction would. */
function constructed(axis: number, yMm: number, radius: number, { eyeYMm, awayMm }: Sight): Point[] {
  return Array.from({ length: 360 }, (_, i) => {
    const a = (i * Math.PI) / 180;
    const nearer = awayMm / (awayMm + radius * Math.sin(a));
    return [axis + radius * Math.cos(a) * nearer, eyeYMm + (yMm - eyeYMm) * nearer];
  });
}

describe('the rims of a vessel', () => {
  it('are the ellipses of the perspective construction, to a thousandth', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 5, max: 60, noNaN: true }),
        fc.double({ min: -80, max: 80, noNaN: true }),
        fc.double({ min: 150, max: 900, noNaN: true }),
        (radiusMm, depth, awayMm) => {
          fc.pre(Math.abs(depth) > 1);
          const sight = { eyeYMm: 20, awayMm };
          const { centre, halfWidthMm, halfHeightMm } = rimEllipse(70, { yMm: 20 + depth, radiusMm }, sight);
          for (const [x, y] of constructed(70, 20 + depth, radiusMm, sight)) {
            const off = Math.hypot((x - centre[0]) / halfWidthMm, (y - centre[1]) / halfHeightMm);
            expect(Math.abs(off - 1)).toBeLessThan(1e-3);
          }
        },
      ),
      { numRuns: 60 },
    );
    expect(() => rimEllipse(0, { yMm: 0, radiusMm: 200 }, { eyeYMm: 0, awayMm: 200 })).toThrow(
      'reaches the eye',
    );
  });

  const sight: Sight = { eyeYMm: 10, awayMm: 400 };
  const rims = [30, 55, 80].map((yMm) => rimEllipse(70, { yMm, radiusMm: 25 }, sight));

  it('that agree are not complained of; the one too flat is found, with the height it should have', () => {
    expect(disagreeing(rims, sight)).toEqual([]);
    const [top, middle, foot] = rims;
    const flat: Ellipse = { ...middle, halfHeightMm: 0.6 * middle.halfHeightMm };
    const [found] = disagreeing([top, flat, foot], sight);
    expect(found.index).toBe(1);
    expect(found.wantedMm).toBeCloseTo(2 * middle.halfHeightMm, 1);
    expect(found.highMm).toBeCloseTo(2 * flat.halfHeightMm, 9);
  });

  it('are known from a shaky hand’s closed lines, and a box is no ellipse', () => {
    const shaky = (ellipse: Ellipse): Point[] =>
      Array.from({ length: 90 }, (_, i) => {
        const a = (i * Math.PI) / 45;
        const shake = 1 + 0.02 * Math.sin(7 * a) + 0.015 * Math.sin(11 * a + 1);
        return [
          ellipse.centre[0] + shake * ellipse.halfWidthMm * Math.cos(a),
          ellipse.centre[1] + shake * ellipse.halfHeightMm * Math.sin(a),
        ];
      });
    for (const rim of rims) {
      const found = meantEllipse(shaky(rim));
      expect(Math.abs(found.halfWidthMm / rim.halfWidthMm - 1)).toBeLessThan(0.01);
      expect(Math.abs(found.halfHeightMm / rim.halfHeightMm - 1)).toBeLessThan(0.01);
      expect(isEllipse(shaky(rim))).toBe(true);
    }
    expect(
      isEllipse([
        [0, 0],
        [40, 0],
        [10, 20],
      ]),
    ).toBe(false);
  });
});

describe('a circle round a thing', () => {
  const cloud = fc.array(fc.tuple(fc.integer({ min: 0, max: 200 }), fc.integer({ min: 0, max: 200 })), {
    minLength: 1,
    maxLength: 40,
  });

  it('holds every point, and rests on two across or on three round it', () => {
    fc.assert(
      fc.property(cloud, (points) => {
        const { centre, radiusMm } = smallestCircle(points);
        for (const p of points) expect(distance(p, centre)).toBeLessThan(radiusMm + 1e-6);
        if (radiusMm === 0) return;
        // Those on its rim hold it: the centre lies among them, or it could be smaller.
        const rim = points.filter((p) => distance(p, centre) > radiusMm - 1e-6);
        const angles = rim.map(([x, y]) => Math.atan2(y - centre[1], x - centre[0])).sort((a, b) => a - b);
        const gaps = angles.map((a, i) =>
          i === 0 ? a + 2 * Math.PI - angles[angles.length - 1] : a - angles[i - 1],
        );
        expect(Math.max(...gaps)).toBeLessThan(Math.PI + 1e-6);
      }),
    );
  });

  it('a hull holds all points and turns one way', () => {
    fc.assert(
      fc.property(cloud, (points) => {
        const hull = convexHull(points);
        if (hull.length < 3) return;
        const grown = hull.map(([x, y]): Point => [x, y]);
        const [cx, cy] = [
          grown.reduce((s, [x]) => s + x, 0) / grown.length,
          grown.reduce((s, [, y]) => s + y, 0) / grown.length,
        ];
        const wider = grown.map(([x, y]): Point => [x + 1e-6 * (x - cx), y + 1e-6 * (y - cy)]);
        for (const p of points)
          expect(contains([wider], p) || hull.some((h) => distance(h, p) < 1e-9)).toBe(true);
        expect(polygonArea([hull])).toBeGreaterThan(0);
      }),
    );
  });
});

describe('guides', () => {
  const panel = { widthMm: 148, heightMm: 100 };

  it('lie where they are said to', () => {
    expect(guideLines({ id: 'g', kind: 'middle' }, panel)[0]).toEqual([
      [74, 0],
      [74, 100],
    ]);
    expect(guideLines({ id: 'g', kind: 'thirds' }, panel)).toHaveLength(4);
    expect(guideLines({ id: 'g', kind: 'margins', wideMm: 60 }, panel)).toEqual([]);
    expect(guideLines({ id: 'g', kind: 'grid', acrossMm: 20, downMm: 25 }, panel)).toHaveLength(7 + 3);
    const marks = guideLines({ id: 'g', kind: 'even', from: [10, 10], to: [100, 10], marks: 4 }, panel);
    expect(marks.map(([a, b]) => (a[0] + b[0]) / 2)).toEqual([10, 40, 70, 100]);
  });

  it('a horizon wavers no more than it may, goes right across, and is the same for the same seed', () => {
    const guide = guideSchema.parse({ id: 'g', kind: 'horizon', yMm: 40, waverMm: 2, seed: 7 });
    const [line] = guideLines(guide, panel);
    expect(Math.max(...line.map(([, y]) => Math.abs(y - 40)))).toBeLessThanOrEqual(2);
    expect(Math.max(...line.map(([, y]) => y)) - Math.min(...line.map(([, y]) => y))).toBeGreaterThan(1);
    expect([line[0][0], line.at(-1)![0]]).toEqual([0, 148]);
    expect(guideLines(guide, panel)).toEqual([line]);
  });

  it('posts along a road stand where a camera sees them', () => {
    fc.assert(
      fc.property(
        fc.record({
          eyeMm: fc.double({ min: 900, max: 3000, noNaN: true }),
          asideMm: fc.double({ min: -4000, max: 4000, noNaN: true }),
          firstMm: fc.double({ min: 3000, max: 9000, noNaN: true }),
          apartMm: fc.double({ min: 1000, max: 6000, noNaN: true }),
          highMm: fc.double({ min: 500, max: 4000, noNaN: true }),
        }),
        ({ eyeMm, asideMm, firstMm, apartMm, highMm }) => {
          // A pinhole 100 mm before the panel, its horizon 40 mm down and 74 mm across; posts stand on the ground.
          const seen = (away: number, up: number): Point => [
            74 + (100 * asideMm) / away,
            40 + (100 * (eyeMm - up)) / away,
          ];
          const foot = seen(firstMm, 0);
          const guide = guideSchema.parse({
            ...{ id: 'g', kind: 'receding', foot, towards: [74, 40], count: 5 },
            highMm: foot[1] - seen(firstMm, highMm)[1],
            every: apartMm / firstMm,
          });
          const [, , ...posts] = guideLines(guide, panel);
          posts.forEach(([base, top], i) => {
            const away = firstMm + i * apartMm;
            expect(distance(base, seen(away, 0))).toBeLessThan(1e-6);
            expect(distance(top, seen(away, highMm))).toBeLessThan(1e-6);
          });
        },
      ),
      { numRuns: 60 },
    );
  });
});
