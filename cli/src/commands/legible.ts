import * as z from 'zod';
import { FONT_IDS } from '@kettle/core/drawing/lettering';
import { legibility } from '@kettle/core/advice/whites';
import { jsonCommand } from '../command';

const mm = z.number().positive().max(200);

const inputSchema = z.strictObject({
  text: z.string().min(1).max(200),
  font: z.enum(FONT_IDS),
  capHeightMm: mm,
  maskLineMm: mm,
  brushTipMm: mm,
});

export const legible = jsonCommand({
  name: 'legible',
  says: 'which masked letters can still be read, and the height that cures the others',
  reads: inputSchema,
  note: 'maskLineMm the finest line of the mask',
  answers:
    'letters[{char,index,counterMm|null,strokeMm,problem null|"counter-closed"|"counter-unpaintable"|"stroke-too-fine"}], cureCapHeightMm (null if none ≤ 60)',
  letters: true,
  run: ({ text, font, capHeightMm, ...tools }, fonts) => {
    return legibility(text, fonts.get(font)!, capHeightMm, tools);
  },
});
