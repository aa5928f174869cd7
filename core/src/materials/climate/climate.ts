import * as z from 'zod';
import { seconds } from '../../kit/units';

/** The air over the table: °C, relative humidity 0…1, air speed m/s. */
export const climateSchema = z.strictObject({
  tempC: z.number().min(0).max(50),
  rh: z.number().min(0, 'rh is a fraction 0…1').max(1, 'rh is a fraction 0…1'),
  airMs: z.number().min(0).max(20),
});
export type Climate = z.infer<typeof climateSchema>;

/** The room by feel, for a table without a hygrometer. Our own defaults. */
export const CLIMATES_BY_FEEL: readonly (Climate & { readonly id: string; readonly name: string })[] = [
  { id: 'ordinary', name: 'an ordinary room', tempC: 20, rh: 0.5, airMs: 0 },
  { id: 'heated', name: 'a heated room', tempC: 22, rh: 0.38, airMs: 0.1 },
  { id: 'dry-winter', name: 'a dry winter room', tempC: 21, rh: 0.25, airMs: 0.05 },
  { id: 'muggy', name: 'a muggy day', tempC: 26, rh: 0.75, airMs: 0 },
  { id: 'cold', name: 'a cold room', tempC: 14, rh: 0.6, airMs: 0 },
];

/** A dryer or heat tool over the paper; `seconds` absent means from `fromS` on without end. */
export const heatToolSchema = z.strictObject({
  airMs: z.number().positive().max(40).default(5),
  airTempC: z.number().min(10).max(400).default(60),
  fromS: seconds.default(0),
  seconds: seconds.positive().optional(),
});
export type HeatTool = z.infer<typeof heatToolSchema>;
