import * as z from 'zod';
import { climateSchema } from '../../materials/climate';
import { code, positionMm } from '../../kit/units';
import { shapeSchema } from './shape';

const atS = z.number().min(0).max(1e6);
const depth = z.number().min(0.001).max(2000);
const share = z.number().min(0).max(1);
const degrees = z.number().min(-80).max(80);

/** A pigment and how much of it is laid, g/m² over the whole shape. */
const laidSchema = z.array(z.strictObject({ pigment: code, gm2: z.number().positive().max(200) })).max(6);

const laid = <Kind extends string>(kind: Kind) =>
  z.strictObject({
    atS,
    kind: z.literal(kind),
    shape: shapeSchema,
    filmUm: depth,
    pigments: laidSchema.default([]),
  });
const shaped = <Kind extends string>(kind: Kind) =>
  z.strictObject({ atS, kind: z.literal(kind), shape: shapeSchema });
/** What a tissue, foam or brush is worked through, if not the whole place is open to it. */
const through = shapeSchema.optional();
const loosened = <Kind extends string>(kind: Kind) =>
  z.strictObject({ atS, kind: z.literal(kind), shape: shapeSchema, through, strength: share.default(1) });
const sprinkled = <Kind extends string>(kind: Kind) =>
  z.strictObject({
    atS,
    kind: z.literal(kind),
    area: shapeSchema,
    filmUm: depth.optional(),
    coverage: share.optional(),
    pigments: laidSchema.default([]),
  });

/**
 * Where a brush comes, mm, and how hard it is pressed, 0…1. A stroke that took its time says with each place when the
 * brush was there, in the paper's time; without, it is done in a moment.
 */
export const strokePointSchema = z.union([
  z.tuple([positionMm, positionMm, share]).readonly(),
  z.tuple([positionMm, positionMm, share, atS]).readonly(),
]);
export type StrokePoint = z.infer<typeof strokePointSchema>;

/** Everything that can be done to a panel, in the paper's time. */
export const panelActSchema = z.discriminatedUnion('kind', [
  laid('water'),
  z.strictObject({
    ...laid('wash').shape,
    /** A band of a wash, mm down the sheet: in full between the middle two levels, less and less out to the others. */
    band: z.tuple([positionMm, positionMm, positionMm, positionMm]).readonly().optional(),
  }),
  laid('drop'),
  z.strictObject({
    atS,
    kind: z.literal('stroke'),
    points: z.array(strokePointSchema).min(1).max(10_000),
    brush: code,
    /** In words, or as a share of the belly. */
    load: z.union([z.enum(['thirsty', 'damp', 'loaded', 'dripping']), share]).default('loaded'),
    /** Whether the brush is dipped before; one that is not goes on with what it holds, if it is the last one used. */
    dips: z.boolean().default(true),
    parts: z
      .array(z.strictObject({ pigment: code, parts: z.number().min(1e-6).max(1000) }))
      .max(6)
      .default([]),
    strength: z.number().min(0.001).max(1).default(0.2),
  }),
  sprinkled('mist'),
  z.strictObject({
    ...sprinkled('spatter').shape,
    tool: z.enum(['toothbrush', 'tapped-brush']).default('toothbrush'),
    /** What lies on the panel meanwhile. */
    shields: z
      .array(z.strictObject({ shape: shapeSchema, edge: z.enum(['cut', 'torn']) }))
      .max(50)
      .default([]),
  }),
  laid('print'),
  shaped('mask'),
  shaped('unmask'),
  z.strictObject({
    atS,
    kind: z.literal('salt'),
    points: z
      .array(z.tuple([positionMm, positionMm]).readonly())
      .min(1)
      .max(5000),
    grainMm: z.number().min(0.2).max(5).default(1),
  }),
  z.strictObject({ atS, kind: z.literal('unsalt') }),
  z.strictObject({
    ...{ atS, kind: z.literal('blot'), shape: shapeSchema, through },
    share: share.default(0.8),
  }),
  loosened('lift'),
  loosened('scrub'),
  z.strictObject({
    atS,
    kind: z.literal('heat'),
    seconds: z.number().positive().max(1e5),
    airMs: z.number().min(0).max(20).default(5),
    airTempC: z.number().min(10).max(120).default(60),
    shape: shapeSchema.optional(),
  }),
  z.strictObject({ atS, kind: z.literal('tilt'), xDeg: degrees, yDeg: degrees }),
  z.strictObject({ atS, kind: z.literal('climate'), climate: climateSchema }),
]);
export type PanelAct = z.infer<typeof panelActSchema>;
export type ActOf<Kind extends PanelAct['kind']> = Extract<PanelAct, { kind: Kind }>;
