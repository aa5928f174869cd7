import * as z from 'zod';
import { shapeSchema, spatterDrops } from '@kettle/core/simulation/water';
import { jsonCommand } from '../command';

const side = z.number().positive().max(2000);

const inputSchema = z.strictObject({
  tool: z.enum(['toothbrush', 'tapped-brush']),
  brushSize: z.number().positive().max(40).optional(),
  face: z.strictObject({ widthMm: side, heightMm: side }),
  area: shapeSchema,
  coverage: z.number().min(0, 'coverage is a fraction 0…1').max(1, 'coverage is a fraction 0…1'),
  seed: z.int(),
  shields: z
    .array(z.strictObject({ shape: shapeSchema, edge: z.enum(['cut', 'torn']) }))
    .max(50)
    .default([]),
});

export const spatter = jsonCommand({
  name: 'spatter',
  says: 'where the drops of a spatter fall',
  reads: inputSchema,
  answers: 'drops[{xMm,yMm,diameterMm}]',
  run: (input) => ({ drops: spatterDrops(input) }),
});
