import { cutRequestSchema, cutSheet } from '@kettle/core/commission/card';
import { readInput } from '@kettle/core/kit/units';
import type { CliCommand } from '../command';

export const cut: CliCommand = {
  name: 'cut',
  says: 'pieces out of sheets, edge to edge with knife and ruler',
  shape: {
    in: 'sheet{widthMm,heightMm,grain?="width"|"height"} pieces[{name,widthMm,heightMm,count|asMany:true,grain?="width"|"height"|"any"}] marginMm?=0 gapMm?=0 sheets?=1',
    out: 'placed[{name,sheet,xMm,yMm,widthMm,heightMm,turned}] cuts[{order,sheet,from,atMm,acrossMm}] unplaced[{name,count}] counts{} wastePct',
  },
  input: 'json',
  run: (input) => cutSheet(readInput(cutRequestSchema, input)),
};
