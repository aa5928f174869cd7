import { describe, expect, it } from 'vitest';
import { polygonArea, rectangle, type Polygon } from '../../kit/geometry';
import { chance, done } from '../../kit/units';
import { addArea, smallPlan } from '../../document/plan';
import { cases } from '../../testing/cases';
import { common } from './combine';
import { overlaying, patchesIn, patchesOf, type Patch } from './patches';

const overlaid = (...asked: Parameters<typeof overlaying>): Patch[] => done(overlaying(...asked));
const SHEET = rectangle(0, 0, 150, 105);
const surface = (regions: readonly Polygon[]): number =>
  regions.reduce((sum, region) => sum + polygonArea(region), 0);
const ids = (patches: readonly Patch[]): string[] => patches.map(({ under }) => under.join(' ')).sort();

/** Shapes as hands and rulers make them: rectangles on a grid, so that edges and corners coincide, blobs, and rings. */
function randomShape(random: () => number): Polygon {
  const kind = Math.floor(random() * 3);
  if (kind === 0) {
    const step = (most: number): number => 5 * Math.floor((random() * most) / 5);
    return rectangle(step(120), step(80), 5 + step(60), 5 + step(50));
  }
  const [x, y, radius] = [150 * random(), 105 * random(), 3 + 40 * random()];
  const ring = (r: number, turn: 1 | -1) =>
    Array.from({ length: 40 }, (_, i) => {
      const at = (turn * 2 * Math.PI * i) / 40;
      const wobble = r * (0.8 + 0.2 * Math.cos(3 * at));
      return [x + wobble * Math.cos(at), y + wobble * Math.sin(at)] as const;
    });
  return kind === 1 ? [ring(radius, 1)] : [ring(radius, 1), ring(radius / 2, -1)];
}

describe('patches', () => {
  it(`partition the sheet, whatever lies on it: on ${cases(1000)} random sets`, () => {
    const random = chance(22);
    for (let n = 0; n < cases(1000); n++) {
      const shapes = Array.from({ length: 2 + Math.floor(6 * random()) }, (_, i) => ({
        id: `s${i}`,
        regions: [randomShape(random)],
      }));
      const patches = overlaid(SHEET, shapes);
      const sum = patches.reduce((mm2, patch) => mm2 + surface(patch.regions), 0);
      expect(Math.abs(sum / surface([SHEET]) - 1), `set ${n}`).toBeLessThan(1e-6);
      for (const [i, one] of patches.entries())
        for (const other of patches.slice(i + 1))
          expect(surface(common(one.regions, other.regions)), `set ${n}`).toBeLessThan(0.02);
    }
  });

  it('are told by what lies over them', () => {
    const patches = overlaid(SHEET, [
      { id: 'jar', regions: [rectangle(40, 20, 40, 60)] },
      { id: 'shade', regions: [rectangle(60, 20, 20, 60)] },
      { id: 'table', regions: [rectangle(0, 70, 150, 35)] },
    ]);
    expect(ids(patches)).toEqual(['', 'jar', 'jar shade', 'jar shade table', 'jar table', 'table']);
    expect(patches.find(({ under }) => under.join(' ') === 'jar shade')!.mm2).toBeCloseTo(20 * 50, 6);
  });

  it('of the same outline are one, and what touches at a corner overlaps nothing', () => {
    const square = rectangle(10, 10, 20, 20);
    expect(
      ids(
        overlaid(SHEET, [
          { id: 'a', regions: [square] },
          { id: 'b', regions: [square] },
          { id: 'c', regions: [rectangle(30, 30, 10, 10)] },
        ]),
      ),
    ).toEqual(['', 'a b', 'c']);
  });

  it('narrower than a half millimetre join what they share most edge with, unless nothing else is left of an area', () => {
    const sky = { id: 'sky', regions: [rectangle(0, 0, 150, 50)] };
    const over = (mm: number) =>
      ids(overlaid(SHEET, [sky, { id: 'sea', regions: [rectangle(0, 50 - mm, 150, 55 + mm)] }]));
    expect(over(0.6)).toEqual(['sea', 'sky', 'sky sea']);
    expect(over(0.4)).toEqual(['sea', 'sky']);
    const line = { id: 'line', regions: [rectangle(20, 20, 60, 0.3)] };
    expect(ids(overlaid(SHEET, [sky, line]))).toEqual(['', 'sky', 'sky line']);
  });

  it('of a plan reach to the edge of its sheet, and are found by area', () => {
    const plan = smallPlan(addArea('moon', rectangle(100, 40, 20, 20)));
    expect(ids(patchesIn(plan, 'moon'))).toEqual(['moon', 'sky moon']);
    expect(patchesOf({ ...plan, title: 'Another' })).toBe(patchesOf(plan));
  });
});
