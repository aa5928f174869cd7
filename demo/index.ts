import type { Plan } from '@kettle/core/document/plan';
import { ferryLights } from './ferry-lights';
import { fireflyJar } from './firefly-jar';
import { heronAtLowTide } from './heron-at-low-tide';
import { kettleInTheRain } from './kettle-in-the-rain';
import { kitesOverTheDunes } from './kites-over-the-dunes';
import { quinceBranch } from './quince-branch';

export { ferryLights, fireflyJar, heronAtLowTide, kettleInTheRain, kitesOverTheDunes, quinceBranch };
export { MILLRACE_LANE } from './millrace-lane';

/** The six cards of Millrace Lane; the first of them lies on the table at the first start. */
export const demoCards = (): Plan[] => [
  kettleInTheRain(),
  quinceBranch(),
  heronAtLowTide(),
  fireflyJar(),
  ferryLights(),
  kitesOverTheDunes(),
];
