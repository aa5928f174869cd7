import { expect, it } from 'vitest';
import { rectangle } from '../../kit/geometry';
import { smallPlan } from '../../document/plan';
import { sameShape } from '.';

it('knows a shape that is filled twice, and no other', () => {
  const plan = smallPlan();
  expect(sameShape(plan, rectangle(60, 20, 20, 20))).toBe('boat');
  expect(sameShape(plan, rectangle(60.1, 20.1, 19.9, 19.9))).toBe('boat');
  expect(sameShape(plan, rectangle(60, 20, 20, 18))).toBeNull();
  expect(sameShape(plan, rectangle(100, 20, 20, 20))).toBeNull();
});
