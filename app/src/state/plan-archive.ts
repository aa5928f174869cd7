import { Dexie } from 'dexie';
import { readPlan } from '@kettle/core/versions';
import { replayPatches, type Patch, type Plan } from '@kettle/core/plan';
import { packResists, unpackResists } from '@kettle/core/masking';
import { packLines, packPoints, unpackLines, unpackPoints, type PencilPoint } from '@kettle/core/sketch';
import type { StrokePoint } from '@kettle/core/water';
import type { Database, StrokeAs } from './database';

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

/**
 * Cards in the browser's database: a whole plan now and then, and a journal entry for every change
 * between, so that closing the tab loses nothing.
 */
export class PlanArchive {
  constructor(private readonly db: Database) {}

  /** All cards, those that cannot be read apart. */
  async all(): Promise<{ plans: Plan[]; unreadable: UnreadablePlan[] }> {
    const plans: Plan[] = [];
    const unreadable: UnreadablePlan[] = [];
    for (const id of await this.db.plans.toCollection().primaryKeys()) {
      try {
        const stored = await this.read(id);
        if (stored) plans.push(stored.plan);
      } catch (cause) {
        unreadable.push({ id, fault: cause instanceof Error ? cause.message : String(cause) });
      }
    }
    return { plans, unreadable };
  }

  /** The card as its last change left it; `null` if there is none. Throws `BadInput` if it cannot be read. */
  async read(id: string): Promise<StoredPlan | null> {
    return this.db.transaction('r', this.db.plans, this.db.journal, async () => {
      const saved = await this.db.plans.get(id);
      if (!saved) return null;
      // A gap means that a write between failed; what came after it cannot be applied.
      const after = await this.entriesAfter(id, saved.seq).sortBy('seq');
      const entries = after.filter(({ seq }, i) => seq === saved.seq + i + 1);
      const whole = {
        ...(saved.plan as object),
        ...(saved.lines ? { lines: unpackLines(saved.lines) } : {}),
        ...(saved.resists ? { resists: unpackResists(saved.resists) } : {}),
      };
      const plan = entries.reduce((now, { patches }) => replayPatches(now, patches), readPlan(whole));
      return { plan, seq: entries.at(-1)?.seq ?? saved.seq };
    });
  }

  /** Writes one change behind those already there. */
  async append(planId: string, seq: number, patches: readonly Patch[]): Promise<void> {
    await this.db.journal.add({ planId, seq, patches });
  }

  /** Saves a card whole and drops the journal entries it contains. */
  async save(plan: Plan, seq: number): Promise<void> {
    await this.db.transaction('rw', this.db.plans, this.db.journal, async () => {
      // Lines are many and small: as they are, copying them into the database would hold the page up.
      const bare = { ...plan, lines: [], resists: [] };
      const [lines, resists] = [packLines(plan.lines), packResists(plan.resists)];
      await this.db.plans.put({ id: plan.id, plan: bare, lines, resists, seq, changedAt: Date.now() });
      await this.db.journal
        .where('[planId+seq]')
        .between([plan.id, Dexie.minKey], [plan.id, seq], true, true)
        .delete();
    });
  }

  /** Forgets a card for good. */
  async remove(id: string): Promise<void> {
    const { plans, journal, strokes, attachments } = this.db;
    await this.db.transaction('rw', plans, journal, strokes, attachments, async () => {
      await this.db.plans.delete(id);
      await this.db.attachments.where({ planId: id }).delete();
      await this.entriesAfter(id, -1).delete();
      await this.db.strokes.where({ planId: id }).delete();
    });
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
    const pieces = await this.db.strokes.where({ planId }).sortBy('n');
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
    return (await this.db.attachments.get([planId, name]))?.bytes ?? null;
  }

  /** All files of a card that its plan still names, by name. */
  async attachmentsOf({ id, pictures }: Plan): Promise<Record<string, Uint8Array>> {
    const named = new Set(pictures.map(({ file }) => file));
    const kept = await this.db.attachments.where({ planId: id }).toArray();
    return Object.fromEntries(
      kept.filter(({ name }) => named.has(name)).map(({ name, bytes }) => [name, bytes]),
    );
  }

  private entriesAfter(id: string, seq: number) {
    return this.db.journal.where('[planId+seq]').between([id, seq], [id, Dexie.maxKey], false, true);
  }
}

const placesOf = (painted: Float64Array | undefined): StrokePoint[] =>
  Array.from({ length: (painted?.length ?? 0) / 4 }, (_, i) => {
    const [x, y, pressure, atS] = painted!.subarray(4 * i, 4 * i + 4);
    return [x, y, pressure, atS];
  });
