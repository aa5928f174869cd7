import * as z from 'zod';
import { id } from '../../kit/units';

/** A paper as the models see it. All of it is embedded in a plan, so that a file stands alone. */
export const paperSchema = z.strictObject({
  id,
  revision: z.int().min(1).max(1e6),
  name: z.string().min(1).max(80),
  weightGm2: z.number().min(10).max(2000),
  fibre: z.enum(['cotton', 'pulp', 'mixed']),
  surface: z.enum(['cold', 'hot', 'rough', 'card']),
  /** Height of the grain above and below its mean, µm. */
  reliefUm: z.number().nonnegative().max(500),
  /** Water it can hold above equilibrium moisture, g/m². */
  capacityGm2: z.number().min(0.1).max(5000),
  /** Speed of taking up water against 300 g/m² cotton = 1. */
  uptake: z.number().min(0.001).max(20),
  /** Sizing strength 0…1: tearing, lifting, how much it bears. */
  sizing: z.number().min(0).max(1),
  /** Passes it bears before the surface gives. */
  passes: z.int().min(1).max(99),
  white: z.enum(['natural', 'cool', 'warm']),
  /** Readiness to cockle 0…1 when one side is wet. */
  cockle: z.number().min(0).max(1),
  thicknessMm: z.number().min(0.01).max(10),
});
export type Paper = z.infer<typeof paperSchema>;
