// Draws the pigment charts into docs/.
import { mkdirSync, writeFileSync } from 'node:fs';
import { pigmentCharts } from './pigment-charts';

mkdirSync('docs/pigment-charts', { recursive: true });
for (const [name, svg] of Object.entries(pigmentCharts())) writeFileSync(`docs/pigment-charts/${name}`, svg);
