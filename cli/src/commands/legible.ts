import * as z from 'zod';
import { FONT_IDS } from '@kettle/core/drawing/lettering';
import { readInput } from '@kettle/core/kit/units';
import { legibility } from '@kettle/core/advice/whites';
import type { CliCommand } from '../command';

const mm = z.number().positive().max(200);

const inputSchema = z.strictObject({
  text: z.string().min(1).max(200),
  font: z.enum(FONT_IDS),
  capHeightMm: mm,
  maskLineMm: mm,
  brushTipMm: mm,
});

export const legible: CliCommand = {
  name: 'legible',
  says: 'which masked letters can still be read, and the height that cures the others',
  shape: {
    in: 'text, font id, capHeightMm, maskLineMm (finest line of the mask), brushTipMm',
    out: 'letters[{char,index,counterMm|null,strokeMm,problem null|"counter-closed"|"counter-unpaintable"|"stroke-too-fine"}], cureCapHeightMm (null if none ≤ 60)',
  },
  input: 'json',
  letters: true,
  run: (input, fonts) => {
    const { text, font, capHeightMm, ...tools } = readInput(inputSchema, input);
    return legibility(text, fonts.get(font)!, capHeightMm, tools);
  },
};
