import * as z from 'zod';
import { cardFormatSchema, cropSchema, frameSchema, sheetsSchema } from '../../commission/card';
import { climateSchema } from '../../materials/climate';
import { guideSchema } from '../../drawing/guides';
import { lampSchema } from '../../drawing/lamp';
import { wordsSchema } from '../../drawing/lettering';
import { maskStrokeSchema, MOST_MASK_DROPS, MOST_MASK_STROKES, resistSchema } from '../../drawing/masking';
import { briefSchema } from '../../commission/occasion';
import { paperSchema } from '../../materials/paper';
import { pictureSchema } from '../../drawing/photo';
import { pigmentSchema } from '../../materials/pigment';
import { areaSchema, pencilLineSchema } from '../../drawing/sketch';
import { changeOf, code, id } from '../../kit/units';
import { actSchema, choreActSchema, passSchema } from './act';
import { MOST_IN_A_LIST, MOST_OF, MOST_PIGMENTS } from './limits';
import {
  plannedMixSchema,
  rulesSchema,
  shiftS,
  sittingEventSchema,
  STATIONS,
  tableSchema,
  whiteSchema,
} from './plan';
import { thingSchema } from './thing';
import { handActSchema, MOST_ACTS, trialSchema } from './trial';
import { variantSchema } from './variant';

/**
 * Everything that can be done to a plan, as plain data. A command changes a draft in place; the store
 * turns that into patches for undo, journal and workers.
 */
export const commandSchema = z.discriminatedUnion('do', [
  z.strictObject({ do: z.literal('rename'), title: z.string().min(1).max(80) }),
  z.strictObject({ do: z.literal('set-brief'), change: changeOf(briefSchema) }),
  z.strictObject({ do: z.literal('set-format'), change: changeOf(cardFormatSchema) }),
  z.strictObject({ do: z.literal('paint-larger'), painting: cropSchema.shape.painting }),
  z.strictObject({ do: z.literal('paint-to-size') }),
  z.strictObject({ do: z.literal('lay-frame'), frame: frameSchema }),
  z.strictObject({ do: z.literal('take-frame'), frame: id }),
  z.strictObject({ do: z.literal('choose-frame'), frame: id.nullable() }),
  z.strictObject({ do: z.literal('set-sheets'), change: changeOf(sheetsSchema) }),
  z.strictObject({ do: z.literal('set-rules'), change: changeOf(rulesSchema) }),
  z.strictObject({ do: z.literal('set-climate'), change: changeOf(climateSchema) }),
  z.strictObject({ do: z.literal('choose-paper'), paper: paperSchema }),
  z.strictObject({ do: z.literal('lay-picture'), picture: pictureSchema }),
  z.strictObject({ do: z.literal('take-picture'), picture: id }),
  z.strictObject({ do: z.literal('add-line'), line: pencilLineSchema }),
  z.strictObject({ do: z.literal('rub-out-line'), line: id }),
  z.strictObject({
    do: z.literal('redraw-lines'),
    gone: z.array(id).max(MOST_OF.lines),
    lines: z.array(pencilLineSchema).max(MOST_OF.lines),
  }),
  z.strictObject({ do: z.literal('lay-guide'), guide: guideSchema }),
  z.strictObject({ do: z.literal('take-guide'), guide: id }),
  z.strictObject({ do: z.literal('set-lamp'), lamp: lampSchema.nullable() }),
  z.strictObject({ do: z.literal('see-as'), area: id, form: areaSchema.shape.form.unwrap().nullable() }),
  z.strictObject({ do: z.literal('open'), area: id, opening: z.boolean() }),
  z.strictObject({ do: z.literal('letter'), words: wordsSchema }),
  z.strictObject({ do: z.literal('rub-out-words'), words: id }),
  z.strictObject({
    do: z.literal('add-area'),
    area: areaSchema,
    /** The area it lies straight under; left out, it lies over all. */
    under: id.optional(),
  }),
  z.strictObject({ do: z.literal('restack'), order: z.array(id).max(MOST_IN_A_LIST) }),
  z.strictObject({ do: z.literal('gather'), thing: thingSchema }),
  z.strictObject({ do: z.literal('single-out'), members: z.array(id).max(MOST_IN_A_LIST) }),
  z.strictObject({ do: z.literal('rename-area'), area: id, name: areaSchema.shape.name }),
  z.strictObject({ do: z.literal('reshape-area'), area: id, outline: areaSchema.shape.outline }),
  z.strictObject({ do: z.literal('remove-area'), area: id }),
  z.strictObject({ do: z.literal('keep-white'), white: whiteSchema }),
  z.strictObject({ do: z.literal('give-up-white'), white: id }),
  z.strictObject({ do: z.literal('mask-when'), masked: id, on: id.nullable(), off: id.nullable() }),
  z.strictObject({ do: z.literal('put-resist'), resist: resistSchema }),
  z.strictObject({
    ...{ do: z.literal('mask-stroke'), stroke: maskStrokeSchema },
    /** A mask that is not there yet is begun with the stroke. */
    resist: resistSchema.pick({ id: true, name: true, tool: true }),
  }),
  z.strictObject({
    ...{ do: z.literal('lift-mask'), resist: id, strokes: z.array(id).max(MOST_MASK_STROKES) },
    drops: z.array(z.int().min(0)).max(MOST_MASK_DROPS),
  }),
  z.strictObject({ do: z.literal('remove-resist'), resist: id }),
  z.strictObject({
    do: z.literal('put-mix'),
    mix: plannedMixSchema,
    pigments: z.array(pigmentSchema).max(MOST_PIGMENTS),
  }),
  z.strictObject({ do: z.literal('remove-mix'), mix: id }),
  z.strictObject({
    do: z.literal('set-out'),
    palette: z.array(code).max(MOST_PIGMENTS),
    pigments: z.array(pigmentSchema).max(MOST_PIGMENTS),
  }),
  z.strictObject({ do: z.literal('add-act'), act: actSchema, before: id.nullable() }),
  z.strictObject({
    do: z.literal('change-pass'),
    pass: id,
    change: changeOf(passSchema.omit({ kind: true, id: true })),
  }),
  z.strictObject({ do: z.literal('change-chore'), chore: id, change: choreActSchema.pick({ handsS: true }) }),
  z.strictObject({ do: z.literal('move-act'), act: id, to: z.int().min(0) }),
  z.strictObject({ do: z.literal('remove-act'), act: id }),
  z.strictObject({ do: z.literal('order-acts'), order: z.array(id).max(MOST_IN_A_LIST) }),
  z.strictObject({ do: z.literal('set-table'), change: changeOf(tableSchema) }),
  z.strictObject({ do: z.literal('vary'), variant: variantSchema }),
  z.strictObject({ do: z.literal('take-variant'), variant: id }),
  z.strictObject({ do: z.literal('lay-sheet'), trial: trialSchema }),
  z.strictObject({ do: z.literal('paint'), trial: id, acts: z.array(handActSchema).min(1).max(MOST_ACTS) }),
  z.strictObject({
    ...{ do: z.literal('change-sheet'), trial: id },
    change: changeOf(trialSchema.pick({ name: true, note: true, pigments: true })),
  }),
  z.strictObject({ do: z.literal('take-sheet'), trial: id }),
  z.strictObject({ do: z.literal('mark-not-needed'), station: z.enum(STATIONS), notNeeded: z.boolean() }),
  z.strictObject({ do: z.literal('accept-finding'), finding: z.string(), reason: z.string().max(200) }),
  z.strictObject({ do: z.literal('sit-down'), at: sittingEventSchema.shape.at }),
  z.strictObject({ do: z.literal('note-event'), event: sittingEventSchema }),
  /** What was noted from a moment on happened so much later or earlier: the clock it was read from was wrong. */
  z.strictObject({ do: z.literal('shift-events'), from: sittingEventSchema.shape.at, byS: shiftS }),
  z.strictObject({ do: z.literal('end-sitting') }),
]);
export type Command = z.infer<typeof commandSchema>;
