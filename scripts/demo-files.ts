// Writes the demo studio and card into the app's public files, from demo/.
import { mkdirSync, writeFileSync } from 'node:fs';
import { kettleInTheRain, MILLRACE_LANE } from '../demo/kettle-in-the-rain';

const folder = 'app/public/demo';
mkdirSync(folder, { recursive: true });
const plan = kettleInTheRain();
writeFileSync(`${folder}/${plan.id}.json`, JSON.stringify(plan));
writeFileSync(`${folder}/studio.json`, JSON.stringify(MILLRACE_LANE, null, 1));
writeFileSync(`${folder}/index.json`, JSON.stringify({ studio: 'studio.json', cards: [`${plan.id}.json`] }));
