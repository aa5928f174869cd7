import Dexie, { type EntityTable, type Table } from 'dexie';
import type { Patch } from '@kettle/core/plan';
import type { PackedResists, Resist } from '@kettle/core/masking';
import type { LineKind, PackedLines } from '@kettle/core/sketch';
import type { AskedStroke } from '../workers/painting-api';

/** A card as last saved whole; the journal entries after `seq` lead on from it. */
export interface SavedPlan {
  readonly id: string;
  readonly plan: unknown;
  /** Its lines, apart and packed; a card saved by an earlier version has them in its plan. */
  readonly lines?: PackedLines;
  /** What is masked freehand, packed as well. */
  readonly resists?: PackedResists;
  readonly seq: number;
  readonly changedAt: number;
}

/** One change to a card, written the moment it is made. */
export interface JournalEntry {
  readonly n: number;
  readonly planId: string;
  readonly seq: number;
  readonly patches: readonly Patch[];
}

/** A piece of a stroke still under the pen: points packed as `packPoints` does. */
export interface StrokePiece {
  readonly n: number;
  readonly planId: string;
  readonly stroke: string;
  readonly packed: Int32Array;
  /** Of a stroke of paint instead: x, y, pressure and the paper's time of each place, nothing of them rounded. */
  readonly painted?: Float64Array;
  /** What it becomes; pieces of an earlier version were all of pencil lines. */
  readonly as?: StrokeAs;
}

/** A stroke of paint on a trial sheet. */
export interface PaintedAs {
  readonly trial: string;
  readonly stroke: AskedStroke;
}

/** What a stroke under the pen is to become: a line of a kind, a stroke of a freehand mask, or one of paint. */
export type StrokeAs =
  { readonly line: LineKind } | { readonly resist: Pick<Resist, 'id' | 'name' | 'tool'> } | PaintedAs;

/** A file that belongs to a card, such as a picture that lies on its panel. */
export interface Attachment {
  readonly planId: string;
  readonly name: string;
  readonly bytes: Uint8Array;
}

/** Single values of the studio and of this browser. */
export interface Note {
  readonly key: 'studio' | 'started';
  readonly value: unknown;
}

/** Everything the app keeps, in this browser. */
export class Database extends Dexie {
  readonly plans!: EntityTable<SavedPlan, 'id'>;
  readonly journal!: EntityTable<JournalEntry, 'n'>;
  readonly strokes!: EntityTable<StrokePiece, 'n'>;
  readonly notes!: EntityTable<Note, 'key'>;
  readonly attachments!: Table<Attachment, [string, string]>;

  constructor(name = 'kettle-drift') {
    super(name);
    this.version(1).stores({
      plans: 'id',
      journal: '++n, [planId+seq]',
      strokes: '++n, planId',
      notes: 'key',
    });
    this.version(2).stores({ attachments: '[planId+name], planId' });
  }
}
