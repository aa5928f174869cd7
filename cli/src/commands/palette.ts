import * as z from 'zod';
import { paperById } from '@kettle/core/materials/paper';
import { choosePaletteFrom, PIGMENTS } from '@kettle/core/materials/pigment';
import { jsonCommand } from '../command';
import { labOfTarget, pigmentsByCode, plainParts, targetSchema } from './paint-input';

const inputSchema = z.strictObject({
  targets: z.array(targetSchema).min(1).max(24),
  size: z.int().min(1).max(8),
  paper: z.string(),
  from: z.array(z.string()).min(1).optional(),
  keep: z.array(z.string()).default([]),
});

/** A metallic turns with the light, so it stands for no wanted colour unless it is named. */
const ALL = PIGMENTS.filter(({ metallic }) => !metallic);

export const palette = jsonCommand({
  name: 'palette',
  says: 'wanted colours → the few pigments that give them',
  reads: inputSchema,
  note: 'from left out: all but metallics',
  answers:
    'pigments[code…] mixes[{target,parts[{pigment,parts}],strength,deltaE00}] meanDeltaE maxDeltaE exact',
  run: ({ targets, size, paper, from, keep }) => {
    const kept = pigmentsByCode(keep, 'keep');
    const named = from ? pigmentsByCode(from, 'from') : ALL;
    const box = [...named, ...kept.filter((pigment) => !named.includes(pigment))];
    const answer = choosePaletteFrom(box, paperById(paper), {
      targets: targets.map(labOfTarget),
      size,
      keep,
    });
    return {
      pigments: answer.pigments.map(({ code }) => code),
      mixes: answer.mixes.map(({ parts, strength, deltaE00 }, i) => ({
        target: targets[i],
        parts: plainParts(parts),
        strength,
        deltaE00,
      })),
      meanDeltaE: answer.meanDeltaE,
      maxDeltaE: answer.maxDeltaE,
      exact: answer.exact,
    };
  },
});
