import { expect, it } from 'vitest';
import { addPass, smallPlan, applyCommands } from '../../document/plan';
import { layOut } from '../schedule';
import { finishing } from '.';

const plan = smallPlan(addPass('p1', 'sky', 'blue'));

it('finishing follows the painter’s order, waits for dry paper and says sizes', () => {
  const steps = finishing(plan, layOut(plan));
  expect(steps.map(({ act }) => act.id)).toEqual(['untape', 'rub-out', 'score', 'fold', 'press']);
  expect(steps[0].idleS).toBeGreaterThan(1000);
  expect(steps[0].waitsFor).toBe('sky');
  expect(steps[2].size).toBe('156 mm from the left edge');
  expect(steps[4].afterwards).toBe('then leave it 8 h');
});

it('a wait by itself holds up what follows', () => {
  const pressedFirst = applyCommands(plan, [{ do: 'move-act', act: 'press', to: 4 }]).plan;
  const steps = finishing(pressedFirst, layOut(pressedFirst));
  expect(steps[0].act.id).toBe('press');
  expect(steps[1].startS - steps[0].endS).toBeCloseTo(8 * 3600, 6);
});
