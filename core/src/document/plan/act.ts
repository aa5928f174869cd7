import * as z from 'zod';
import { code, id, positionMm, seconds } from '../../kit/units';
import { MOST_IN_A_LIST } from './limits';
import { CHORES } from './chore';
import { TECHNIQUES } from './technique';

const names = (list: readonly { readonly id: string }[]): [string, ...string[]] =>
  list.map((entry) => entry.id) as [string, ...string[]];

/** Stages a painter waits for: puddles gone, the sheen breaking up, the sheen gone, no longer wet to the back of the hand. */
export const AWAITED = ['shiny', 'satin', 'damp', 'cool'] as const;

/**
 * When an act may begin: when what it touches is dry, as soon as the hands are free, as what it touches comes to a stage, or
 * not before a time of the plan.
 */
export const startSchema = z.union([
  z.enum(['when-dry', 'straight-on']),
  z.strictObject({ stage: z.enum(AWAITED) }),
  z.strictObject({ atS: seconds }),
]);
export type Start = z.infer<typeof startSchema>;

/** Paper, stencil or frisket that lies on the panel during a pass: over an area, or all round it with the area open. */
export const shieldSchema = z.strictObject({
  area: id,
  lies: z.enum(['over', 'round']),
  edge: z.enum(['cut', 'torn']),
});
export type LaidShield = z.infer<typeof shieldSchema>;

/** A stroke as a hand made it: places from the panel's corner, mm, with pressure and the time since the pass began, s. */
export const paintedStrokeSchema = z.strictObject({
  brush: code,
  /** Share of the brush's belly that was filled. */
  load: z.number().min(0).max(1),
  points: z
    .array(z.tuple([positionMm, positionMm, z.number().min(0).max(1), seconds]).readonly())
    .min(1)
    .max(10_000),
});
export type PaintedStroke = z.infer<typeof paintedStrokeSchema>;

/** Where in its areas a pass lays another of its mixes: at one side of them, in the middle, or all round. */
export const LIES = ['above', 'below', 'left', 'right', 'middle', 'round'] as const;

/** Another mix of the same pass, and its place: a sky that is warmer below, a wash with a darker rim. */
export const otherMixSchema = z.strictObject({
  mix: id,
  lies: z.enum(LIES),
  /** Share of the height, width or surface it takes. */
  share: z.number().min(0.05).max(0.95),
});
/** So many mixes lie beside the first of a pass. */
export const MOST_OTHER_MIXES = 4;

export type OtherMix = z.infer<typeof otherMixSchema>;

/** One act of painting on one or more areas. */
export const passSchema = z.strictObject({
  kind: z.literal('pass'),
  id,
  name: z.string().max(80),
  areas: z.array(id).max(MOST_IN_A_LIST),
  technique: z.enum(names(TECHNIQUES)),
  /** The mix laid; `null` for clear water. */
  mix: id.nullable(),
  /** What else is laid in the same pass; where two lie in one place, the later. */
  also: z.array(otherMixSchema).max(MOST_OTHER_MIXES),
  /** Mean water laid, µm. */
  filmUm: z.number().min(0.5).max(2000),
  /** Hands-on seconds as the painter set them; `null` = from area and technique. */
  handsS: seconds.nullable(),
  start: startSchema,
  /** Share of its areas it covers; spatter and broken strokes leave the rest showing. */
  covers: z.number().min(0.01).max(1),
  shields: z.array(shieldSchema).max(20),
  /** What it is painted round, pass by pass; `null` for the whites that are gone round anyway. */
  spares: z.array(id).max(MOST_IN_A_LIST).nullable(),
  /** How a hand painted it on a trial sheet; empty where it is painted as its technique says. */
  strokes: z.array(paintedStrokeSchema).max(2000),
});
export type Pass = z.infer<typeof passSchema>;

/** One act that is not painting. */
export const choreActSchema = z.strictObject({
  kind: z.literal('chore'),
  id,
  chore: z.enum(names(CHORES)),
  /** For masking: the areas, and what is masked freehand. Empty for the whole card. */
  areas: z.array(id).max(MOST_IN_A_LIST),
  handsS: seconds.nullable(),
});
export type ChoreAct = z.infer<typeof choreActSchema>;

/** The acts of a card stand in one list, in the painter's own order. */
export const actSchema = z.discriminatedUnion('kind', [passSchema, choreActSchema]);
export type Act = z.infer<typeof actSchema>;
