import { Dexie } from 'dexie';
import * as z from 'zod';
import { PLAN_VERSION, planAfter, versionOf, type RecordedChange } from '@kettle/core/document/versions';
import type { Patch, Plan } from '@kettle/core/document/plan';
import { packResists, unpackResists } from '@kettle/core/drawing/masking';
import {
  packLines,
  packPoints,
  unpackLines,
  unpackPoints,
  type PencilPoint,
} from '@kettle/core/drawing/sketch';
import { BadInput, readInput } from '@kettle/core/kit/units';
import type { StrokePoint } from '@kettle/core/simulation/water';
import type { Database } from './database';
import {
  attachmentSchema,
  journalEntrySchema,
  savedPlanSchema,
  strokePieceSchema,
  type JournalEntry,
  type SavedPlan,
  type StrokeAs,
} from './rows';
import { keepSnapshot } from './snapshots';

/** A card and how far its journal has come. */
export interface StoredPlan {
  readonly plan: Plan;
  readonly seq: number;
}

/** A card that could not be read; it stays where it is, untouched. */
export interface UnreadablePlan {
  readonly id: string;
  readonly fault: string;
}

/** A stroke that was never finished, since the tab went. */
export interface LostStroke {
  readonly stroke: string;
  readonly as: StrokeAs;
  readonly points: readonly PencilPoint[];
  /** Of paint instead. */
  readonly painted: readonly StrokePoint[];
}

/** A card's row is no longer there to be written to: the database was emptied under the page, or the card thrown away. */
export class CardGone extends Error {
  override readonly name = 'CardGone';
}

/**
 * Cards in the browser's database: a whole plan now and then, and a journal entry for every change
 * between, so that closing the tab loses nothing.
 */
export class CardArchive {
  constructor(private readonly db: Database) {}

  /** Ids of all cards that do not lie in the bin. */
  async ids(): Promise<string[]> {
    const binned = new Set(await this.db.plans.where('binnedAt').above(0).primaryKeys());
    return (await this.db.plans.toCollection().primaryKeys()).filter((id) => !binned.has(id));
  }

  /** All cards, those that cannot be read apart. */
  async all(): Promise<{ plans: Plan[]; unreadable: UnreadablePlan[] }> {
    const plans: Plan[] = [];
    const unreadable: UnreadablePlan[] = [];
    for (const id of await this.db.plans.toCollection().primaryKeys()) {
      const read = await this.readOrFault(id);
      if (read && 'plan' in read) plans.push(read.plan);
      else if (read) unreadable.push(read);
    }
    return { plans, unreadable };
  }

  /** A card, or why it cannot be read; `null` where there is none or it lies in the bin. */
  async readOrFault(id: string): Promise<StoredPlan | UnreadablePlan | null> {
    try {
      return await this.read(id);
    } catch (cause) {
      if (!(cause instanceof BadInput)) throw cause;
      return { id, fault: cause.message };
    }
  }

  /** The card as its last change left it; `null` if there is none or it lies in the bin. Throws `BadInput` if it cannot be read. */
  read(id: string): Promise<StoredPlan | null> {
    return this.db.transaction('r', this.db.plans, this.db.journal, () => this.readNow(id));
  }

  /**
   * The same, to be written from now on: one saved by an earlier program is kept as it was and saved in today's version, so
   * that nothing is ever journalled against a shape that is not its own.
   */
  open(id: string): Promise<StoredPlan | null> {
    const { plans, journal, snapshots } = this.db;
    return this.db.transaction('rw', plans, journal, snapshots, async () => {
      const stored = await this.readNow(id);
      const row = await plans.get(id);
      if (!stored || !row) return stored;
      const rows = await this.entriesAfter(id, -1).toArray();
      const isOlder =
        versionOf(row.plan) < PLAN_VERSION || rows.some(({ version }) => version !== PLAN_VERSION);
      if (isOlder) {
        if (versionOf(row.plan) < PLAN_VERSION)
          await keepSnapshot(this.db, {
            ...{ of: id, title: stored.plan.title, why: 'renewed' },
            ...{ saved: row, journal: rows },
          });
        await this.putWhole(stored.plan, stored.seq);
      }
      return stored;
    });
  }

  /** Begins to keep a card, with the files that belong to it, all or nothing. Throws `BadInput` where its id is taken. */
  async create(plan: Plan, attachments: Readonly<Record<string, Uint8Array>> = {}): Promise<void> {
    const { plans, journal } = this.db;
    await this.db.transaction('rw', plans, journal, this.db.attachments, async () => {
      if (await plans.get(plan.id)) throw new BadInput('card', `there is a card “${plan.id}” already`);
      await this.db.attachments.bulkPut(
        Object.entries(attachments).map(([name, bytes]) => ({ planId: plan.id, name, bytes })),
      );
      await this.putWhole(plan, 0);
    });
  }

  /** Writes one change behind those already there. Throws `CardGone` where the card is no longer kept. */
  async append(planId: string, seq: number, patches: readonly Patch[]): Promise<void> {
    const entry: Omit<JournalEntry, 'n'> = { planId, seq, version: PLAN_VERSION, patches: [...patches] };
    await this.db.transaction('rw', this.db.plans, this.db.journal, async () => {
      // Counted, not read: a card may be large.
      if ((await this.db.plans.where({ id: planId }).count()) === 0) throw new CardGone(planId);
      await this.db.journal.add(entry);
    });
  }

  /** Saves a card whole and drops the journal entries it contains. */
  async save(plan: Plan, seq: number): Promise<void> {
    await this.db.transaction('rw', this.db.plans, this.db.journal, () => this.putWhole(plan, seq));
  }

  /** Within a transaction on plans and journal. */
  async putWhole(plan: Plan, seq: number): Promise<void> {
    // Lines are many and small: as they are, copying them into the database would hold the page up.
    const bare = { ...plan, lines: [], resists: [] };
    const [lines, resists] = [packLines(plan.lines), packResists(plan.resists)];
    await this.db.plans.put({ id: plan.id, plan: bare, lines, resists, seq, changedAt: Date.now() });
    await this.db.journal
      .where('[planId+seq]')
      .between([plan.id, Dexie.minKey], [plan.id, seq], true, true)
      .delete();
  }

  /** Keeps the next piece of a stroke while it is being drawn. */
  async keepStroke(
    planId: string,
    stroke: string,
    as: StrokeAs,
    points: readonly PencilPoint[],
  ): Promise<void> {
    await this.db.strokes.add({ planId, stroke, as, packed: packPoints(points) });
  }

  /** The same of a stroke of paint. */
  async keepPainted(
    planId: string,
    stroke: string,
    as: StrokeAs,
    points: readonly StrokePoint[],
  ): Promise<void> {
    const painted = Float64Array.from(points.flatMap(([x, y, pressure, atS]) => [x, y, pressure, atS ?? 0]));
    await this.db.strokes.add({ planId, stroke, as, packed: new Int32Array(0), painted });
  }

  /** Forgets the pieces of a stroke that has become a line of the plan. */
  async dropStroke(planId: string, stroke: string): Promise<void> {
    await this.db.strokes
      .where({ planId })
      .filter((piece) => piece.stroke === stroke)
      .delete();
  }

  /** Strokes a closed tab left unfinished. */
  async lostStrokes(planId: string): Promise<LostStroke[]> {
    const rows = await this.db.strokes.where({ planId }).sortBy('n');
    const pieces = readInput(z.array(strokePieceSchema), rows, 'strokes');
    const strokes = [...new Set(pieces.map(({ stroke }) => stroke))];
    return strokes.map((stroke) => ({
      stroke,
      as: pieces.find((piece) => piece.stroke === stroke)?.as ?? { line: 'pencil' },
      points: pieces.filter((piece) => piece.stroke === stroke).flatMap(({ packed }) => unpackPoints(packed)),
      painted: pieces.filter((piece) => piece.stroke === stroke).flatMap(({ painted }) => placesOf(painted)),
    }));
  }

  /** Keeps a file with a card. */
  async attach(planId: string, name: string, bytes: Uint8Array): Promise<void> {
    await this.db.attachments.put({ planId, name, bytes });
  }

  /** A file kept with a card; `null` if it is not here. */
  async attached(planId: string, name: string): Promise<Uint8Array | null> {
    const row = await this.db.attachments.get([planId, name]);
    return row ? readInput(attachmentSchema, row, 'attachments').bytes : null;
  }

  /** All files of a card that its plan still names, by name. */
  async attachmentsOf({ id, pictures }: Plan): Promise<Record<string, Uint8Array>> {
    const named = new Set(pictures.map(({ file }) => file));
    const kept = readInput(
      z.array(attachmentSchema),
      await this.db.attachments.where({ planId: id }).toArray(),
      'attachments',
    );
    return Object.fromEntries(
      kept.filter(({ name }) => named.has(name)).map(({ name, bytes }) => [name, bytes]),
    );
  }

  private async readNow(id: string): Promise<StoredPlan | null> {
    const row = await this.db.plans.get(id);
    if (!row) return null;
    const saved = readInput(savedPlanSchema, row, 'saved');
    if (saved.binnedAt !== undefined) return null;
    const rows = await this.entriesAfter(id, saved.seq).sortBy('seq');
    const entries = inOneRow(readInput(z.array(journalEntrySchema), rows, 'journal'), saved.seq);
    const plan = planAfter(wholeJson(saved), entries.map(asRecorded));
    return { plan, seq: entries.at(-1)?.seq ?? saved.seq };
  }

  private entriesAfter(id: string, seq: number) {
    return this.db.journal.where('[planId+seq]').between([id, seq], [id, Dexie.maxKey], false, true);
  }
}

/** A gap means that a write between failed; what came after it cannot be applied. */
export const inOneRow = (entries: readonly JournalEntry[], afterSeq: number): JournalEntry[] =>
  entries.filter(({ seq }, i) => seq === afterSeq + i + 1);

/** A saved plan's JSON with the lines and masks that are kept apart from it. */
export const wholeJson = ({ plan, lines, resists }: SavedPlan): object => ({
  ...(plan as object),
  ...(lines ? { lines: unpackLines(lines) } : {}),
  ...(resists ? { resists: unpackResists(resists) } : {}),
});

export const asRecorded = ({ version, patches }: JournalEntry): RecordedChange => ({
  version: version ?? null,
  patches,
});

const placesOf = (painted: Float64Array | undefined): StrokePoint[] =>
  Array.from({ length: (painted?.length ?? 0) / 4 }, (_, i) => {
    const [x, y, pressure, atS] = painted!.subarray(4 * i, 4 * i + 4);
    return [x, y, pressure, atS];
  });
