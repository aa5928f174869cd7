// Sittings on days that dry quicker or slower than thought: do the passes still come in their windows?
import { keepsWindows, inOrder, layOut, windowsLeft } from '@kettle/core/order/schedule';
import type { Plan } from '@kettle/core/document/plan';
import { proposePasses } from '@kettle/core/advice/proposals';
import { chance, done } from '@kettle/core/kit/units';
import { demoCards } from '../../demo';
import { wetScene } from '../../core/src/testing/wet-scene';
import type { Measured } from './limits';

/** Everything dries so much quicker or slower, at most. */
const QUICKEST = 0.7;
const SLOWEST = 1.3;

const SITTINGS = 1000;

/** Plans with windows whose sequence holds on the quickest, the slowest and an ordinary day, put in order first. */
function plans(): Plan[] {
  const drawn = [...demoCards(), ...Array.from({ length: 60 }, (_, i) => wetScene(i + 1))];
  return drawn
    .map((plan) => proposePasses(plan).plan)
    .map((plan) => {
      const found = done(inOrder(plan));
      return found && 'plan' in found ? found.plan : plan;
    })
    .filter((plan) => windowsLeft(layOut(plan)).length > 0)
    .filter((plan) => [QUICKEST, 1, SLOWEST].every((factor) => keepsWindows(layOut(plan, factor))));
}

/** How often all windows are kept, the order fixed and every wait ended by what is seen. */
export function measureWindows(): Measured {
  const tried = plans();
  const random = chance(20);
  let kept = 0;
  for (let i = 0; i < SITTINGS; i++) {
    const factor = QUICKEST + random() * (SLOWEST - QUICKEST);
    if (keepsWindows(layOut(tried[i % tried.length], factor))) kept++;
  }
  return {
    figures: { plans: tried.length, sittings: SITTINGS, keptShare: kept / SITTINGS },
    above: { plans: 20, keptShare: 0.9 },
  };
}
