import { cardFormatSchema, cardSizes } from '@kettle/core/commission/card';
import { jsonCommand } from '../command';

export const size = jsonCommand({
  name: 'size',
  says: 'envelope → card, opened sheet, scores, panel, sheet to be painted',
  reads: cardFormatSchema,
  note: 'mats, foam and liner add to the bulk',
  answers:
    'card{widthMm,heightMm} flat{…} scores[{axis,atMm}] panel{…} paint{…} mats[{…}] clearance{perSideMm,inAllMm} bulkMm fits warning? instead?{id,name,widthMm,heightMm}',
  run: (format) => cardSizes(format),
});
