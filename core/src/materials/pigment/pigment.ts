import * as z from 'zod';
import { labSchema } from '../../kit/colour';

/** One absorption band: `e` falls towards red, `r` rises, `g` is a bell; a in m²/g, centre and width in nm. */
const bandSchema = z.strictObject({
  t: z.enum(['e', 'r', 'g']),
  a: z.number().nonnegative().max(1000),
  c: z.number().min(0).max(2000),
  w: z.number().min(0.1).max(2000),
});

/** A pigment as the models see it; a frozen copy is embedded in every plan that uses it. */
export const pigmentSchema = z.strictObject({
  /** Public code: Colour Index name with a suffix where that is ambiguous, `PBr7-burnt-sienna`. */
  code: z.string().regex(/^[A-Za-z0-9:_-]{2,40}$/),
  revision: z.int().min(1).max(1e6),
  ci: z.string().max(80),
  name: z.string().min(1).max(80),
  family: z.string().max(40),
  /** Dry pigment of a masstone: a 100 µm film at strength 1, g/m². */
  masstoneLoadGm2: z.number().min(0.01).max(1000),
  /** Absorption floor, m²/g. */
  k0: z.number().nonnegative().max(1000),
  /** Scatter at 550 nm, m²/g, and its fall with wavelength. */
  s0: z.number().nonnegative().max(1000),
  sp: z.number().min(-20).max(20),
  bands: z.array(bandSchema).max(12),
  staining: z.number().min(0).max(1),
  granulation: z.number().min(0).max(1),
  lightfastness: z.string().max(40),
  hazard: z.enum(['none', 'cadmium', 'cobalt', 'nickel', 'manganese']),
  transparencyClass: z.string().max(20),
  /** Mica flakes: not a layer that light passes, but a cover that grows with the load and turns with the light. */
  metallic: z
    .strictObject({
      /** Load m₀ that covers 63 % of what is under it, g/m². */
      coverLoadGm2: z.number().min(0.01).max(1000),
      /** Colour turned to the lamp and turned away. */
      face: labSchema,
      flop: labSchema,
    })
    .optional(),
  /** `constructed` spectra are plausible, not measured, until the painter calibrates them. */
  origin: z.enum(['constructed', 'calibrated']),
});
export type Pigment = z.infer<typeof pigmentSchema>;
