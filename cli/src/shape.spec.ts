import { expect, it } from 'vitest';
import * as z from 'zod';
import { shapeOf } from './shape';

it('says names, what may be left out, defaults, choices and ranges', () => {
  const schema = z.strictObject({
    paper: z.string(),
    filmUm: z.number().min(0).max(5000),
    grain: z.enum(['width', 'height']).optional(),
    copies: z.int().min(1).max(500).default(1),
    seed: z.int(),
  });
  expect(shapeOf(schema)).toBe('paper, filmUm 0…5000, grain? "width"|"height", copies? 1…500=1, seed');
});

it('says what is inside of objects and lists, tuples by their places, and of what is deep only that it is there', () => {
  const deep = z.strictObject({
    a: z.strictObject({ b: z.strictObject({ c: z.strictObject({ d: z.string() }) }) }),
  });
  expect(shapeOf(z.strictObject({ deep }))).toBe('deep{a{b{c{…}}}}');
  const lists = z.strictObject({
    codes: z.array(z.string()).min(1).max(6),
    pieces: z.array(z.strictObject({ name: z.string() })),
    at: z.tuple([z.number(), z.number().min(0).max(1)]),
  });
  expect(shapeOf(lists)).toBe('codes[…] 1–6, pieces[{name}], at[…, 0…1]');
});

it('tells objects apart by the word in them, and of a long choice says the first few', () => {
  const kinds = 'a b c d e f g h i j'
    .split(' ')
    .map((kind) => z.strictObject({ kind: z.literal(kind), atS: z.number() }));
  const acts = z.strictObject({ acts: z.array(z.union(kinds)) });
  expect(shapeOf(acts)).toBe('acts[{kind "a"|"b"|"c"|"d"|"e"|"f"|"g"|"h"|…, …}]');
  expect(shapeOf(z.strictObject({ to: z.union([z.string(), z.strictObject({ lab: z.string() })]) }))).toBe(
    'to string|{lab}',
  );
});
