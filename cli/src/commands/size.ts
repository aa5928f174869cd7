import { cardFormatSchema, cardSizes } from '@kettle/core/commission/card';
import { readInput } from '@kettle/core/kit/units';
import type { CliCommand } from '../command';

export const size: CliCommand = {
  name: 'size',
  says: 'envelope → card, opened sheet, scores, panel, sheet to be painted',
  shape: {
    in: 'envelope{widthMm,heightMm} fold side|top|flat, border taped|bleed|bare, clearanceMm?=3 bulkMm?=0 panelRevealMm?=0 tapeMm?=4 bleedMm?=3; stands?=lying|upright card?{widthMm,heightMm}=null edge?=cut|rounded|deckled|torn mats?[{thicknessMm,showsMm}] foamMm?=0 linerMm?=0, each adding to the bulk',
    out: 'card{widthMm,heightMm} flat{…} scores[{axis,atMm}] panel{…} paint{…} mats[{…}] clearance{perSideMm,inAllMm} bulkMm fits warning? instead?{id,name,widthMm,heightMm}',
  },
  input: 'json',
  run: (input) => cardSizes(readInput(cardFormatSchema, input)),
};
