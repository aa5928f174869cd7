// Writes the demo studio and its cards into the app's public files, from demo/.
import { mkdirSync, writeFileSync } from 'node:fs';
import { demoCards, MILLRACE_LANE } from '../demo';

const folder = 'app/public/demo';
mkdirSync(folder, { recursive: true });
const plans = demoCards();
for (const plan of plans) writeFileSync(`${folder}/${plan.id}.json`, JSON.stringify(plan));
writeFileSync(`${folder}/studio.json`, JSON.stringify(MILLRACE_LANE, null, 1));
writeFileSync(
  `${folder}/index.json`,
  JSON.stringify({ studio: 'studio.json', cards: plans.map(({ id }) => `${id}.json`) }),
);
