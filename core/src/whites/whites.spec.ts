import { expect, it } from 'vitest';
import { rectangle } from '../geometry';
import { addPass, smallPlan } from '../testing/small-plan';
import { isCrossed, waysOfKeeping } from '.';

it('a mask over 6 cm² is discouraged, with its number', () => {
  const [mask] = waysOfKeeping(rectangle(0, 0, 30, 30), true);
  expect(mask).toMatchObject({ way: 'mask', discouraged: true });
  expect(mask.reason).toMatch(/^9\.0 cm²/);
  expect(waysOfKeeping(rectangle(0, 0, 20, 20), true)[0].discouraged).toBe(false);
});

it('bare is discouraged where a pass crosses, painting round counts its edge', () => {
  const [, round, bare] = waysOfKeeping(rectangle(0, 0, 20, 20), true);
  expect(round.reason).toMatch(/80 mm of edge, about 10 s/);
  expect(bare.discouraged).toBe(true);
  expect(waysOfKeeping(rectangle(0, 0, 20, 20), false)[2].discouraged).toBe(false);
});

it('an area is crossed by a pass on another that overlaps it, not by its own', () => {
  const plan = smallPlan(addPass('p', 'sky', 'blue'));
  expect(isCrossed(plan, 'boat')).toBe(true);
  expect(isCrossed(plan, 'field')).toBe(false);
  expect(isCrossed(plan, 'sky')).toBe(false);
});
