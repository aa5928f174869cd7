import { expect, it } from 'vitest';
import { leastBetween } from '.';

it('finds the foot of a valley, inside and at either end', () => {
  expect(leastBetween(-3, 5, 40, (x) => (x - 1.234) ** 2)).toBeCloseTo(1.234, 6);
  expect(leastBetween(0, 1, 40, (x) => x)).toBeCloseTo(0, 6);
  expect(leastBetween(0, 1, 40, (x) => -x)).toBeCloseTo(1, 6);
});

it('asks once a round and twice to begin with', () => {
  let asked = 0;
  leastBetween(0, 1, 10, (x) => {
    asked++;
    return Math.abs(x - 0.3);
  });
  expect(asked).toBe(12);
});
