import { writeFileSync } from 'node:fs';
import { writePng } from '@kettle/core/formats';
import { seenThrough } from '@kettle/core/photo';
const [width, height] = [1200, 900];
const C = [[0.2, 0.15],[0.85, 0.2],[0.9, 0.9],[0.1, 0.8]] as any;
const rgb = new Uint8Array(3 * width * height).fill(60);
const seen = seenThrough(C);
for (let i = 0; i < 2600; i++) for (let j = 0; j < 2000; j++) { const [u, v] = [(i + .5) / 2600, (j + .5) / 2000]; const [x, y] = seen([u, v]); rgb.set(u<0.5 ? [60,80,110] : (u-0.75)**2+(v-0.5)**2<0.01 ? [150,70,50] : [220,200,140], 3*(Math.floor(y*height)*width+Math.floor(x*width))); }
writeFileSync('/tmp/panel.png', writePng({ width, height, rgb, dpi: 72 }));
