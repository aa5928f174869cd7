import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { contains, polygonArea, type Point } from '../../kit/geometry';
import type { PencilPoint } from '../../drawing/sketch';
import { regionAt } from '.';

const PANEL = { widthMm: 148, heightMm: 100 };
const line = (points: readonly (readonly [number, number])[]): { points: PencilPoint[] } => ({
  points: points.map(([x, y]) => [x, y, 0.5]),
});
/** An arc of a circle in degrees, as a hand that is sure of itself draws it. */
const arc = (x: number, y: number, radius: number, from: number, to: number) =>
  line(
    Array.from({ length: 181 }, (_, i) => {
      const turn = ((from + ((to - from) * i) / 180) * Math.PI) / 180;
      return [x + radius * Math.cos(turn), y + radius * Math.sin(turn)] as const;
    }),
  );
const off = (got: number, wanted: number): number => Math.abs(got - wanted) / wanted;

describe('filling between pencil lines', () => {
  it('a square of four strokes that miss each other by less than a millimetre is a square', () => {
    const strokes = [
      line([
        [20, 20],
        [59.4, 20],
      ]),
      line([
        [60, 20.6],
        [60, 60],
      ]),
      line([
        [59.3, 60],
        [20, 60],
      ]),
      line([
        [20, 59.2],
        [20, 20.5],
      ]),
    ];
    const region = regionAt(strokes, [40, 40], PANEL)!;
    expect(off(polygonArea(region), 1600)).toBeLessThan(0.005);
    // From outside the square is a hole in the ground.
    const ground = regionAt(strokes, [5, 5], PANEL)!;
    expect(off(polygonArea(ground), 14800 - 1600)).toBeLessThan(0.005);
    expect(contains(ground, [40, 40])).toBe(false);
  });

  it('a circle, its half moon and a ring are as large as they should be', () => {
    const circle = arc(60, 50, 20, 0, 360);
    const disc = Math.PI * 400;
    expect(off(polygonArea(regionAt([circle], [60, 50], PANEL)!), disc)).toBeLessThan(0.005);
    const chord = line([
      [60, 25],
      [60, 75],
    ]);
    expect(off(polygonArea(regionAt([circle, chord], [50, 50], PANEL)!), disc / 2)).toBeLessThan(0.005);
    const inner = arc(60, 50, 12, 0, 360);
    const ring = regionAt([circle, inner], [60, 34], PANEL)!;
    expect(off(polygonArea(ring), Math.PI * (400 - 144))).toBeLessThan(0.005);
    expect(ring).toHaveLength(2);
  });

  it('a gap up to what is bridged holds, a wider one lets the ground in', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.1, max: 0.95, noNaN: true }),
        fc.double({ min: 0, max: 360, noNaN: true }),
        (gap, at) => {
          const open = ((gap / 20) * 180) / Math.PI;
          const region = regionAt([arc(60, 50, 20, at, at + 360 - open)], [60, 50], PANEL)!;
          expect(off(polygonArea(region), Math.PI * 400)).toBeLessThan(0.005);
        },
      ),
    );
    const wide = regionAt([arc(60, 50, 20, 0, 353)], [60, 50], PANEL)!;
    expect(polygonArea(wide)).toBeGreaterThan(10_000);
  });

  it('never crosses a line that is drawn through', () => {
    const fence = line([
      [74, -5],
      [74, 105],
    ]);
    fc.assert(
      fc.property(
        fc.double({ min: 1, max: 73, noNaN: true }),
        fc.double({ min: 1, max: 99, noNaN: true }),
        (x, y) => {
          const region = regionAt([fence], [x, y], PANEL);
          if (region === null) return;
          for (const ring of region) for (const [px] of ring) expect(px).toBeLessThanOrEqual(74.01);
        },
      ),
    );
  });

  it('on a line, or off the panel, there is nothing to fill', () => {
    expect(
      regionAt(
        [
          line([
            [10, 10],
            [90, 10],
          ]),
        ],
        [50, 10],
        PANEL,
      ),
    ).toBeNull();
    expect(regionAt([], [200, 10] as Point, PANEL)).toBeNull();
    expect(polygonArea(regionAt([], [20, 10], PANEL)!)).toBeCloseTo(14_800, 0);
  });
});
