import * as z from 'zod';
import { climateSchema, heatToolSchema } from '@kettle/core/materials/climate';
import { paperById } from '@kettle/core/materials/paper';
import { BadInput } from '@kettle/core/kit/units';
import { dry as dryWash, evaporationRate } from '@kettle/core/simulation/water';
import { jsonCommand } from '../command';

const inputSchema = z.strictObject({
  paper: z.string(),
  filmUm: z.number().nonnegative().max(5000),
  climate: climateSchema,
  paperWaterGm2: z.number().nonnegative().default(0),
  heatTool: heatToolSchema.optional(),
});

const SECONDS_PER_HOUR = 3600;

export const dryCommand = jsonCommand({
  name: 'dry',
  says: 'when each stage of a drying wash ends',
  reads: inputSchema,
  answers: 'stages{puddledEndS,shinyEndS,satinEndS,dampEndS,coolEndS} (null = never), evaporationGm2h',
  run: ({ paper: paperId, ...wash }) => {
    const paper = paperById(paperId);
    if (wash.paperWaterGm2 > paper.capacityGm2)
      throw new BadInput(
        'paperWaterGm2',
        `${wash.paperWaterGm2} is more than this paper holds (${paper.capacityGm2} g/m²)`,
      );
    const { stages } = dryWash({ paper, ...wash });
    return { stages, evaporationGm2h: evaporationRate(wash.climate) * SECONDS_PER_HOUR };
  },
});
