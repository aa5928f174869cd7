// Writes the demo studio and its cards into the app's public files, from demo/.
import { mkdirSync, writeFileSync } from 'node:fs';
import { heronAtLowTide } from '../demo/heron-at-low-tide';
import { kettleInTheRain } from '../demo/kettle-in-the-rain';
import { MILLRACE_LANE } from '../demo/millrace-lane';
import { quinceBranch } from '../demo/quince-branch';

const folder = 'app/public/demo';
mkdirSync(folder, { recursive: true });
// The first of them lies on the table at the first start.
const plans = [kettleInTheRain(), quinceBranch(), heronAtLowTide()];
for (const plan of plans) writeFileSync(`${folder}/${plan.id}.json`, JSON.stringify(plan));
writeFileSync(`${folder}/studio.json`, JSON.stringify(MILLRACE_LANE, null, 1));
writeFileSync(
  `${folder}/index.json`,
  JSON.stringify({ studio: 'studio.json', cards: plans.map(({ id }) => `${id}.json`) }),
);
