import { Dexie } from 'dexie';
import * as z from 'zod';
import { mendPlan, readableStart, replayed } from '@kettle/core/versions';
import type { Plan } from '@kettle/core/plan';
import { BadInput, readInput } from '@kettle/core/units';
import { asRecorded, inOneRow, wholeJson, type CardArchive } from './card-archive';
import type { Database } from './database';
import {
  journalEntrySchema,
  savedPlanSchema,
  snapshotSchema,
  type JournalEntry,
  type SavedPlan,
  type Snapshot,
} from './rows';
import { keepSnapshot } from './snapshots';

/** What is thrown away stays in the bin for so long. */
export const BIN_DAYS = 30;
/** Earlier states are kept for so long. */
const SNAPSHOT_DAYS = 90;
const DAY_MS = 86_400_000;

/** A card in the bin. */
export interface BinnedCard {
  readonly id: string;
  readonly title: string;
  readonly binnedAt: number;
}

/** A damaged card: what of it can be read, and what cannot. */
export interface DamagedCard {
  readonly id: string;
  readonly title: string;
  readonly fault: string;
  /** As it would stand after mending; `null` where nothing can be read. */
  readonly mended: Plan | null;
  /** What mending leaves out: parts of the plan, and the last changes. */
  readonly lost: readonly string[];
  /** Its rows as they stand, to carry away. */
  readonly raw: unknown;
}

/** What is kept beside the cards: the bin, earlier states, and the mending of what is damaged. */
export class Safekeeping {
  constructor(
    private readonly db: Database,
    private readonly archive: CardArchive,
  ) {}

  /** Puts a card into the bin; it stays there whole. The caller has its lock. */
  async bin(id: string): Promise<void> {
    await this.db.plans.update(id, { binnedAt: Date.now() });
  }

  async takeOutOfBin(id: string): Promise<void> {
    await this.db.plans.where({ id }).modify((row) => {
      delete row.binnedAt;
    });
  }

  async binned(): Promise<BinnedCard[]> {
    const rows = await this.db.plans.where('binnedAt').above(0).toArray();
    return rows.map((row) => ({ id: row.id, title: titleOf(row.plan, row.id), binnedAt: row.binnedAt! }));
  }

  /** Forgets a card for good. */
  async deleteForGood(id: string): Promise<void> {
    const { plans, journal, strokes, attachments } = this.db;
    await this.db.transaction('rw', plans, journal, strokes, attachments, async () => {
      await plans.delete(id);
      await attachments.where({ planId: id }).delete();
      await this.entriesOf(id).delete();
      await strokes.where({ planId: id }).delete();
    });
  }

  /** Forgets what has lain in the bin for its time, and earlier states nobody has asked for. */
  async clearOut(nowMs: number): Promise<void> {
    const old = await this.db.plans
      .where('binnedAt')
      .between(1, nowMs - BIN_DAYS * DAY_MS)
      .primaryKeys();
    for (const id of old) await this.deleteForGood(id);
    await this.db.snapshots.filter(({ at }) => at < nowMs - SNAPSHOT_DAYS * DAY_MS).delete();
  }

  /** Puts cards back as they are given, all or none; what stands in their place is kept as an earlier state. The caller has their locks. */
  async putBack(plans: readonly Plan[], why: Snapshot['why']): Promise<void> {
    const { db } = this;
    await db.transaction('rw', db.plans, db.journal, db.strokes, db.snapshots, async () => {
      for (const plan of plans) {
        const row = await db.plans.get(plan.id);
        const journal = await this.journalOf(plan.id);
        if (row)
          await keepSnapshot(db, {
            ...{ of: plan.id, title: titleOf(row.plan, plan.id), why },
            ...{ saved: row, journal },
          });
        await db.journal.bulkDelete(journal.map(({ n }) => n));
        await db.strokes.where({ planId: plan.id }).delete();
        await this.archive.putWhole(plan, 0);
      }
    });
  }

  /** Earlier states, the latest first. */
  async snapshots(): Promise<Snapshot[]> {
    const rows = readInput(z.array(snapshotSchema), await this.db.snapshots.toArray(), 'snapshots');
    return rows.sort((a, b) => b.at - a.at);
  }

  /** The card an earlier state held, under an id of its own. Throws `BadInput` where it cannot be read. */
  planOf(snapshot: Snapshot, id: string): Plan {
    const { saved, entries } = rowsOf(snapshot.saved, snapshot.journal);
    const found = readableStart(wholeJson(saved), entries.map(asRecorded));
    if (!found) throw new BadInput('card', 'cannot be read as it was');
    return { ...found.plan, id };
  }

  /** What can be read of a card that does not open, and what cannot. */
  async damage(id: string): Promise<DamagedCard | null> {
    const row = (await this.db.plans.get(id)) as unknown;
    if (row === undefined) return null;
    const journal = await this.journalOf(id);
    const fault = await this.archive.readOrFault(id);
    return {
      ...{ id, title: titleOf((row as { plan?: unknown }).plan, id) },
      fault: fault && 'fault' in fault ? fault.fault : '',
      ...mended(row, journal, id),
      raw: { saved: row, journal },
    };
  }

  /** Puts what could be read of a card in its place; as it was it is kept as an earlier state. */
  async mend(id: string): Promise<void> {
    const damage = await this.damage(id);
    if (!damage?.mended) throw new BadInput('card', 'nothing of it can be read');
    await this.putBack([damage.mended], 'mended');
  }

  private journalOf(id: string): Promise<JournalEntry[]> {
    return this.entriesOf(id).toArray();
  }

  private entriesOf(id: string) {
    return this.db.journal.where('[planId+seq]').between([id, Dexie.minKey], [id, Dexie.maxKey]);
  }
}

function mended(
  row: unknown,
  journal: readonly JournalEntry[],
  id: string,
): Pick<DamagedCard, 'mended' | 'lost'> {
  const read = savedPlanSchema.safeParse(row);
  if (!read.success) {
    const found = mendPlan((row as { plan?: unknown }).plan);
    return found
      ? { mended: { ...found.plan, id }, lost: ['its drawn lines', 'its freehand masks', ...found.lost] }
      : { mended: null, lost: [] };
  }
  const { saved, entries } = rowsOf(row, journal);
  const recorded = entries.map(asRecorded);
  const start = readableStart(wholeJson(saved), recorded);
  if (start) return { mended: { ...start.plan, id }, lost: lastChanges(journal.length - start.changes) };
  const found = mendPlan(jsonOf(saved, recorded)) ?? mendPlan(wholeJson(saved));
  return found ? { mended: { ...found.plan, id }, lost: found.lost } : { mended: null, lost: [] };
}

/** The JSON all changes lead to, where they can be replayed at all. */
function jsonOf(saved: SavedPlan, recorded: Parameters<typeof replayed>[1]): unknown {
  try {
    return replayed(wholeJson(saved), recorded);
  } catch {
    // A change that does not fit: the saved plan is mended without any.
    return null;
  }
}

/** Rows as far as they have the shape they should. */
function rowsOf(saved: unknown, journal: readonly unknown[]): { saved: SavedPlan; entries: JournalEntry[] } {
  const whole = readInput(savedPlanSchema, saved, 'saved');
  const entries = journal.flatMap((entry) => journalEntrySchema.safeParse(entry).data ?? []);
  const sorted = entries.filter(({ seq }) => seq > whole.seq).sort((a, b) => a.seq - b.seq);
  return { saved: whole, entries: inOneRow(sorted, whole.seq) };
}

const lastChanges = (count: number): string[] =>
  count === 0 ? [] : [count === 1 ? 'the last change' : `the last ${count} changes`];

export function titleOf(plan: unknown, id: string): string {
  const title = typeof plan === 'object' && plan !== null ? (plan as { title?: unknown }).title : null;
  return typeof title === 'string' && title !== '' ? title.slice(0, 80) : id;
}
