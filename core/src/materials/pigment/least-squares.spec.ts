import { expect, it } from 'vitest';
import { leastSquares } from './least-squares';

it('solves a linear problem as the normal equations do', () => {
  // y = 2x + 1 with residuals 0.1, −0.2, 0.1: by hand, slope 2 and intercept 1.
  const points = [
    [0, 1.1],
    [1, 2.8],
    [2, 5.1],
  ];
  const { parameters, cost } = leastSquares([0, 0], ([a, b]) => points.map(([x, y]) => a * x + b - y));
  expect(parameters[0]).toBeCloseTo(2, 4);
  expect(parameters[1]).toBeCloseTo(1, 4);
  expect(cost).toBeCloseTo(0.06, 6);
});

it('walks a curved valley (Rosenbrock 1960)', () => {
  const { parameters, cost } = leastSquares([-1.2, 1], ([x, y]) => [10 * (y - x * x), 1 - x]);
  expect(parameters[0]).toBeCloseTo(1, 4);
  expect(parameters[1]).toBeCloseTo(1, 4);
  expect(cost).toBeLessThan(1e-8);
});

it('stays where it cannot gain', () => {
  const { parameters } = leastSquares([0.5], ([x]) => [x - 0.5]);
  expect(parameters[0]).toBeCloseTo(0.5, 9);
});
