import * as z from 'zod';
import { readInput } from '@kettle/core/kit/units';
import { shapeSchema, spatterDrops } from '@kettle/core/simulation/water';
import type { CliCommand } from '../command';

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

export const spatter: CliCommand = {
  name: 'spatter',
  says: 'where the drops of a spatter fall',
  shape: {
    in: 'tool "toothbrush"|"tapped-brush", brushSize?, face{widthMm,heightMm}, area shape, coverage 0…1, seed, shields?[{shape,edge "cut"|"torn"}]',
    out: 'drops[{xMm,yMm,diameterMm}]',
  },
  input: 'json',
  run: (input) => ({ drops: spatterDrops(readInput(inputSchema, input)) }),
};
