import { readFileSync } from 'node:fs';
import * as z from 'zod';
import { expect, it } from 'vitest';
import { readPlan, readStudio } from '@kettle/core/document/versions';
import { planSchema, studioSchema } from '@kettle/core/document/plan';
import { kettleInTheRain } from '../demo/kettle-in-the-rain';
import { MILLRACE_LANE } from '../demo/millrace-lane';

const written = (name: string): unknown => JSON.parse(readFileSync(`docs/schema/${name}`, 'utf8')) as unknown;
const plain = (value: unknown): unknown => JSON.parse(JSON.stringify(value)) as unknown;

it('the schemas in docs are those of the code', () => {
  expect(written('plan.schema.json')).toEqual(plain(z.toJSONSchema(planSchema, { io: 'input' })));
  expect(written('studio.schema.json')).toEqual(plain(z.toJSONSchema(studioSchema, { io: 'input' })));
});

it('the examples in docs open, and are the demo studio and its card', () => {
  expect(readPlan(written('plan.example.json'))).toEqual(plain(kettleInTheRain()));
  expect(readStudio(written('studio.example.json'))).toEqual(plain(MILLRACE_LANE));
});
