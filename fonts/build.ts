// Turns the shipped fonts into plain outlines that core takes as data; run after a font is added or changed.
import { writeFileSync } from 'node:fs';
import { readFont, SOURCES } from './read-font';

for (const source of SOURCES)
  writeFileSync(`core/src/drawing/lettering/data/${source.id}.json`, `${JSON.stringify(readFont(source))}\n`);
