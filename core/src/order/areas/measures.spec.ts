import fc from 'fast-check';
import { expect, it } from 'vitest';
import { contains, rectangle, type Point, type Polygon } from '../../kit/geometry';
import { addArea, smallPlan, applyCommands } from '../../document/plan';
import { measureAreas } from '.';
import { cases } from '../../testing/cases';

const STEP_MM = 0.1;

/** Rounded corners stand off their curve by this at most, twice over, mm. */
const EDGE_MM = 0.02;

/** Points along all edges of a region. */
function alongEdges(region: Polygon): Point[] {
  return region.flatMap((ring) =>
    ring.flatMap((a, i) => {
      const b = ring[(i + 1) % ring.length];
      const steps = Math.max(1, Math.round(Math.hypot(b[0] - a[0], b[1] - a[1]) / STEP_MM));
      return Array.from({ length: steps }, (_, n): Point => {
        const t = (n + 0.5) / steps;
        return [a[0] + t * (b[0] - a[0]), a[1] + t * (b[1] - a[1])];
      });
    }),
  );
}

/** Distance of a point from an upright rectangle, mm; 0 inside. */
function fromRectangle([x, y]: Point, region: Polygon): number {
  if (contains(region, [x, y])) return 0;
  const [[left, top], , [right, bottom]] = region[0];
  return Math.hypot(Math.max(left - x, x - right, 0), Math.max(top - y, y - bottom, 0));
}

const someAreas = fc.array(
  fc.record({
    x: fc.double({ min: 0, max: 25, noNaN: true }),
    y: fc.double({ min: 0, max: 25, noNaN: true }),
    width: fc.double({ min: 1, max: 12, noNaN: true }),
    height: fc.double({ min: 1, max: 12, noNaN: true }),
  }),
  { minLength: 2, maxLength: 3 },
);

it('touching lists and shared edges are what counting finds, on 500 sets', () => {
  const empty = applyCommands(smallPlan(), [
    { do: 'remove-area', area: 'sky' },
    { do: 'remove-area', area: 'field' },
    { do: 'remove-area', area: 'boat' },
  ]).plan;
  const gap = empty.rules.bleedGapMm;
  fc.assert(
    fc.property(someAreas, (boxes) => {
      const regions = boxes.map(({ x, y, width, height }) => rectangle(x, y, width, height));
      const plan = applyCommands(
        empty,
        regions.map((outline, i) => addArea(`a${i}`, outline)),
      ).plan;
      const measured = measureAreas(plan);
      regions.forEach((region, i) => {
        const points = alongEdges(region);
        regions.forEach((other, j) => {
          if (i === j) return;
          const near = points.map((point) => fromRectangle(point, other));
          const least = Math.min(...near, contains(region, other[0][0]) ? 0 : Infinity);
          const said = measured[i].touching.find(({ id }) => id === `a${j}`);
          // Counting is no finer than its step.
          if (Math.abs(least - gap) > STEP_MM) expect(said !== undefined).toBe(least < gap);
          if (!said) return;
          // A side may lie right on the edge of what is near; then all or nothing of it counts.
          const countedWithin = (limit: number): number =>
            (near.filter((distance) => distance < limit).length * measured[i].edgeMm) / points.length;
          expect(said.sharedMm).toBeGreaterThan(countedWithin(gap - EDGE_MM) - 1.5);
          expect(said.sharedMm).toBeLessThan(countedWithin(gap + EDGE_MM) + 1.5);
        });
      });
    }),
    { numRuns: cases(500) },
  );
});
