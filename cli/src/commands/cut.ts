import { cutRequestSchema, cutSheet } from '@kettle/core/commission/card';
import { jsonCommand } from '../command';

export const cut = jsonCommand({
  name: 'cut',
  says: 'pieces out of sheets, edge to edge with knife and ruler',
  reads: cutRequestSchema,
  answers:
    'placed[{name,sheet,xMm,yMm,widthMm,heightMm,turned}] cuts[{order,sheet,from,atMm,acrossMm}] unplaced[{name,count}] counts{} wastePct',
  run: cutSheet,
});
