import { Dexie } from 'dexie';
import * as z from 'zod';
import type { Plan } from '@kettle/core/document/plan';
import { readInput } from '@kettle/core/kit/units';
import type { CardArchive } from './card-archive';
import type { Database } from './database';
import { snapshotSchema, type JournalEntry, type Snapshot } from './rows';
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

/** What is kept beside the cards: the bin, and earlier states. */
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

  /** All journal entries of a card, as they stand. */
  journalOf(id: string): Promise<JournalEntry[]> {
    return this.entriesOf(id).toArray();
  }

  private entriesOf(id: string) {
    return this.db.journal.where('[planId+seq]').between([id, Dexie.minKey], [id, Dexie.maxKey]);
  }
}

export function titleOf(plan: unknown, id: string): string {
  const title = typeof plan === 'object' && plan !== null ? (plan as { title?: unknown }).title : null;
  return typeof title === 'string' && title !== '' ? title.slice(0, 80) : id;
}
