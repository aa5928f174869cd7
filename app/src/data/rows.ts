import * as z from 'zod';
import { isoMoment } from '@kettle/core/kit/units';
import { studioCommandSchema, type Patch, type StudioCommand } from '@kettle/core/document/plan';
import type { PackedResists, Resist } from '@kettle/core/drawing/masking';
import type { LineKind, PackedLines } from '@kettle/core/drawing/sketch';
import type { AskedStroke } from '../workers/painting-api';

/*
 * The shapes of what the browser's database keeps. Nothing that is read from it is believed before it has passed these; what
 * lies inside (a plan, a studio) is lifted to today's version and checked by its own schema after.
 */

// What a flat array lies in does not matter here.
const int32s: z.ZodType<Int32Array> = z.instanceof(Int32Array);
const float64s: z.ZodType<Float64Array> = z.instanceof(Float64Array);
const bytes: z.ZodType<Uint8Array> = z.instanceof(Uint8Array);

const packedLinesSchema = z.object({
  ids: z.array(z.string()),
  kinds: z.array(z.string()),
  counts: z.instanceof(Int32Array),
  values: z.instanceof(Float64Array),
}) as unknown as z.ZodType<PackedLines>;

const packedResistsSchema = z.object({
  heads: z.array(
    z.object({
      id: z.string(),
      name: z.string(),
      tool: z.string(),
      strokes: z.int().min(0),
      drops: z.int().min(0),
    }),
  ),
  strokes: packedLinesSchema,
  drops: z.instanceof(Float64Array),
}) as unknown as z.ZodType<PackedResists>;

const moment = z.number().min(0);

/** A card as last saved whole; the journal entries after `seq` lead on from it. */
export const savedPlanSchema = z.object({
  id: z.string(),
  plan: z.unknown(),
  /** Its lines, apart and packed; a card saved by an earlier version has them in its plan. */
  lines: packedLinesSchema.optional(),
  /** What is masked freehand, packed as well. */
  resists: packedResistsSchema.optional(),
  seq: z.int().min(0),
  changedAt: moment,
  /** When it was thrown away, if it lies in the bin. */
  binnedAt: moment.optional(),
});
export type SavedPlan = z.infer<typeof savedPlanSchema>;

const patchSchema = z.object({
  op: z.enum(['add', 'remove', 'replace']),
  path: z.array(z.union([z.string(), z.number()])),
  value: z.unknown().optional(),
}) as unknown as z.ZodType<Patch>;

/** One change to a card, written the moment it is made. */
export const journalEntrySchema = z.object({
  n: z.int(),
  planId: z.string(),
  seq: z.int().min(0),
  /** Of the plan the patches were recorded against; entries of earlier programs do not say. */
  version: z.int().min(1).optional(),
  patches: z.array(patchSchema),
});
export type JournalEntry = z.infer<typeof journalEntrySchema>;

/** A stroke of paint on a trial sheet. */
export interface PaintedAs {
  readonly trial: string;
  readonly stroke: AskedStroke;
}

/** What a stroke under the pen is to become: a line of a kind, a stroke of a freehand mask, or one of paint. */
export type StrokeAs =
  | { readonly line: LineKind }
  | { readonly resist: Pick<Resist, 'id' | 'name' | 'tool'> }
  | PaintedAs;

/** What a stroke becomes is checked where it becomes it, by the command's own schema. */
const strokeAsSchema = z.union([
  z.object({ line: z.string() }),
  z.object({ resist: z.object({ id: z.string(), name: z.string(), tool: z.string() }) }),
  z.object({ trial: z.string(), stroke: z.looseObject({}) }),
]) as unknown as z.ZodType<StrokeAs>;

/** A piece of a stroke still under the pen: points packed as `packPoints` does. */
export const strokePieceSchema = z.object({
  n: z.int(),
  planId: z.string(),
  stroke: z.string(),
  packed: int32s,
  /** Of a stroke of paint instead: x, y, pressure and the paper's time of each place, nothing of them rounded. */
  painted: float64s.optional(),
  /** What it becomes; pieces of an earlier version were all of pencil lines. */
  as: strokeAsSchema.optional(),
});
export type StrokePiece = z.infer<typeof strokePieceSchema>;

/** A file that belongs to a card, such as a picture that lies on its panel. */
export const attachmentSchema = z.object({
  planId: z.string(),
  name: z.string(),
  bytes,
});
export type Attachment = z.infer<typeof attachmentSchema>;

const studioCommands: z.ZodType<StudioCommand[]> = z.array(studioCommandSchema);

/** One change to the studio, with what takes it back. */
export const studioEntrySchema = z.object({
  n: z.int(),
  at: moment,
  commands: studioCommands,
  undoes: studioCommands,
});
export type StudioEntry = z.infer<typeof studioEntrySchema>;

/** Why an earlier state was kept. */
export const SNAPSHOT_REASONS = ['renewed', 'put-back', 'mended', 'restored', 'begun-anew'] as const;

/** A card or the studio as it was before something that could not be taken back: its rows, untouched. */
export const snapshotSchema = z.object({
  n: z.int(),
  /** The card's id, or `studio`. */
  of: z.string(),
  title: z.string(),
  at: moment,
  why: z.enum(SNAPSHOT_REASONS),
  saved: z.unknown(),
  journal: z.array(z.unknown()),
});
export type Snapshot = z.infer<typeof snapshotSchema>;

/** What stands in a field and was not taken yet: it is kept while it is being written. */
export const draftSchema = z.object({
  key: z.string(),
  /** The tab it is written in. */
  tab: z.string(),
  /** The address it is written at. */
  path: z.string(),
  /** Which field of the page: its label, and which of those with the same one. */
  label: z.string(),
  nth: z.int().min(0),
  /** What stood there before. */
  was: z.string().max(20_000),
  text: z.string().max(20_000),
  at: moment,
});
export type Draft = z.infer<typeof draftSchema>;

/** The clock of the table as it was last seen. */
export const keptClockSchema = z.object({ behindMs: z.number(), seenWallMs: moment });

/** Single values of the studio and of this browser. */
export const noteSchema = z.object({
  key: z.enum(['studio', 'started', 'clock', 'backed-up']),
  value: z.unknown(),
});
export type Note = z.infer<typeof noteSchema>;

/** When the last backup was handed over, or the reminder of one put off. */
export const backedUpSchema = z.object({ at: isoMoment, putOff: z.boolean() });
