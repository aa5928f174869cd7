import * as z from 'zod';
import { hexSchema, labOfHex, labSchema } from '@kettle/core/colour';
import { paperById } from '@kettle/core/paper';
import { matchColour, pigmentByCode, type MatchedMix } from '@kettle/core/pigment';
import { BadInput, readInput } from '@kettle/core/units';
import type { CliCommand } from '../command';

const inputSchema = z.strictObject({
  target: z.union([hexSchema, z.strictObject({ lab: labSchema })]),
  palette: z.array(z.string()).min(1).max(6),
  paper: z.string(),
  maxPigments: z.int().min(1).max(3).default(3),
});

export const mix: CliCommand = {
  name: 'mix',
  says: 'a wanted colour → parts and water',
  shape: {
    in: 'target "#rrggbb"|{lab:[L,a,b]}, palette[code…] 1–6, paper, maxPigments?=3',
    out: 'parts[{pigment,parts}] strength waterPerPaint pigmentGm2 wet{hex,lab} dry{hex,lab} deltaE00 reachable missing?{words,dL,dC,dh} simple{…same…}',
  },
  input: 'json',
  run: (input) => {
    const { target, palette, paper, maxPigments } = readInput(inputSchema, input);
    if (new Set(palette).size < palette.length) throw new BadInput('palette', 'names a pigment twice');
    const pigments = palette.map((code, i) => pigmentByCode(code, `palette[${i}]`));
    const wanted = typeof target === 'string' ? labOfHex(target) : target.lab;
    const { best, simple } = matchColour({
      target: wanted,
      palette: pigments,
      paper: paperById(paper),
      maxPigments,
    });
    return { ...plain(best), simple: plain(simple) };
  },
};

const plain = (mixed: MatchedMix) => ({
  ...mixed,
  parts: mixed.parts.map(({ pigment, parts }) => ({ pigment: pigment.code, parts })),
});
