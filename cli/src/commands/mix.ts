import * as z from 'zod';
import { paperById } from '@kettle/core/materials/paper';
import { matchColour, type MatchedMix } from '@kettle/core/materials/pigment';
import { jsonCommand } from '../command';
import { labOfTarget, pigmentsByCode, plainParts, targetSchema } from './paint-input';

const inputSchema = z.strictObject({
  target: targetSchema,
  palette: z.array(z.string()).min(1).max(6),
  paper: z.string(),
  maxPigments: z.int().min(1).max(3).default(3),
});

export const mix = jsonCommand({
  name: 'mix',
  says: 'a wanted colour → parts and water',
  reads: inputSchema,
  answers:
    'parts[{pigment,parts}] strength waterPerPaint pigmentGm2 wet{hex,lab} dry{hex,lab} deltaE00 reachable missing?{words,dL,dC,dh} simple{…same…}',
  run: ({ target, palette, paper, maxPigments }) => {
    const { best, simple } = matchColour({
      target: labOfTarget(target),
      palette: pigmentsByCode(palette, 'palette'),
      paper: paperById(paper),
      maxPigments,
    });
    return { ...plain(best), simple: plain(simple) };
  },
});

const plain = (mixed: MatchedMix) => ({ ...mixed, parts: plainParts(mixed.parts) });
