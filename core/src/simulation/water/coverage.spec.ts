import { describe, expect, it } from 'vitest';
import { coverage, filmShares } from './coverage';
import { handLife } from './hand-life';
import { panelGrid } from './panel';
import type { Shape } from './shape';

const grid = panelGrid(40, 40, 0.5, 1);
const sum = (shares: Iterable<number>): number => [...shares].reduce((all, share) => all + share, 0);

describe('a film on a shape', () => {
  const coveredBy = (shape: Shape): number => {
    let covered = 0;
    coverage(grid, shape, (_, share) => (covered += share));
    return covered;
  };

  it('wets as much paper as the shape covers: slanting edges even out', () => {
    for (const shape of [
      { circle: [20, 20, 7.3] },
      {
        polygon: [
          [5, 5],
          [33, 9],
          [18, 31],
        ],
      },
    ] as Shape[]) {
      expect(filmShares(grid, shape).size / coveredBy(shape)).toBeGreaterThan(0.97);
      expect(filmShares(grid, shape).size / coveredBy(shape)).toBeLessThan(1.03);
    }
  });

  it('along the cells is at most half a cell off, and holds what is laid', () => {
    const box: Shape = { rect: [3.2, 4.1, 20.7, 11.3] };
    const edgeCells = (2 * (20.7 + 11.3)) / 0.5;
    expect(Math.abs(filmShares(grid, box).size - coveredBy(box))).toBeLessThanOrEqual(edgeCells / 2);
    expect(sum(filmShares(grid, box).values())).toBeCloseTo(coveredBy(box), 9);
  });

  it('keeps what is thinner than a cell where it is', () => {
    const thin: Shape = { rect: [4.6, 10, 0.15, 8] };
    expect(sum(filmShares(grid, thin).values()) * 0.25).toBeCloseTo(0.15 * 8, 0);
    expect(filmShares(grid, thin).size).toBeGreaterThanOrEqual(16);
  });

  it('lies by its depth, also where it is given on', () => {
    const shares = filmShares(grid, { circle: [20, 20, 7.3] }, () => 0.4);
    expect(sum(shares.values())).toBeCloseTo(
      0.4 * sum(filmShares(grid, { circle: [20, 20, 7.3] }).values()),
      9,
    );
  });
});

it('a hand’s mix wavers a few percent, broadly: places near each other are alike', () => {
  const life = handLife(3);
  const values = Array.from({ length: 1600 }, (_, i) => life((i % 40) * 3, Math.floor(i / 40) * 3));
  const mean = sum(values) / values.length;
  const spread = Math.sqrt(sum(values.map((value) => (value - mean) ** 2)) / values.length);
  expect(mean).toBeCloseTo(1, 1);
  expect(spread).toBeGreaterThan(0.01);
  expect(spread).toBeLessThan(0.06);
  for (const [x, y] of [
    [10, 10],
    [47, 81],
  ])
    expect(life(x, y)).toBeCloseTo(life(x + 0.3, y), 1.5);
});
