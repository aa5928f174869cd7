// Writes the JSON Schemas of the two documents, and the golden example, into docs/.
import { mkdirSync, writeFileSync } from 'node:fs';
import * as z from 'zod';
import { planSchema, studioSchema } from '@kettle/core/document/plan';
import { kettleInTheRain } from '../demo/kettle-in-the-rain';
import { MILLRACE_LANE } from '../demo/millrace-lane';

mkdirSync('docs/schema', { recursive: true });
const write = (name: string, value: unknown): void =>
  writeFileSync(`docs/schema/${name}`, `${JSON.stringify(value, null, 1)}\n`);

write('plan.schema.json', z.toJSONSchema(planSchema, { io: 'input' }));
write('studio.schema.json', z.toJSONSchema(studioSchema, { io: 'input' }));
write('plan.example.json', kettleInTheRain());
write('studio.example.json', MILLRACE_LANE);
