import type { Plan } from '@kettle/core/document/plan';
import { BadInput, readInput } from '@kettle/core/kit/units';
import { mendPlan, readableStart, replayed } from '@kettle/core/document/versions';
import { asRecorded, inOneRow, wholeJson, type CardArchive } from './card-archive';
import type { Database } from './database';
import {
  journalEntrySchema,
  savedPlanSchema,
  type JournalEntry,
  type SavedPlan,
  type Snapshot,
} from './rows';
import { titleOf, type Safekeeping } from './safekeeping';

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

/** The card an earlier state held, under an id of its own. Throws `BadInput` where it cannot be read. */
export function planOf(snapshot: Snapshot, id: string): Plan {
  const { saved, entries } = rowsOf(snapshot.saved, snapshot.journal);
  const found = readableStart(wholeJson(saved), entries.map(asRecorded));
  if (!found) throw new BadInput('card', 'cannot be read as it was');
  return { ...found.plan, id };
}

/** What can be read of a card that does not open, and what cannot; `null` where there is no such card. */
export async function damageOf(
  { db, archive, safekeeping }: { db: Database; archive: CardArchive; safekeeping: Safekeeping },
  id: string,
): Promise<DamagedCard | null> {
  const row = (await db.plans.get(id)) as unknown;
  if (row === undefined) return null;
  const journal = await safekeeping.journalOf(id);
  const read = await archive.readOrFault(id);
  return {
    ...{ id, title: titleOf((row as { plan?: unknown }).plan, id) },
    fault: read && 'fault' in read ? read.fault : '',
    ...mended(row, journal, id),
    raw: { saved: row, journal },
  };
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
  if (start) {
    // What the saved plan contains already is not lost with its entry.
    const after = journal.filter(({ seq }) => !(seq <= saved.seq)).length;
    return { mended: { ...start.plan, id }, lost: lastChanges(after - start.changes) };
  }
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
