import * as z from 'zod';
import { readBackup, writeBackup, type BackedUpCard } from '@kettle/core/files/formats';
import { missingIn, type Plan, type Studio } from '@kettle/core/document/plan';
import { BadInput, readInput } from '@kettle/core/kit/units';
import { readPlan, readStudio } from '@kettle/core/document/versions';
import type { CardArchive } from './card-archive';
import type { Database } from './database';
import { cardLock, type Locks } from './locks';
import { attachmentSchema } from './rows';
import { titleOf, type Safekeeping } from './safekeeping';
import type { StudioArchive } from './studio-archive';

/** What came of a backup, by the titles of the cards. */
export interface Restored {
  /** Put where there was none, or in the place of one nobody had changed. */
  readonly back: readonly string[];
  /** Put beside a card of the same name that has gone on since. */
  readonly beside: readonly string[];
  /** Here already, as they are in the backup. */
  readonly same: readonly string[];
  /** What is damaged in the file or cannot be read, and why. */
  readonly refused: readonly string[];
  readonly studio: 'taken' | 'merged' | 'same' | 'damaged';
}

/** What a backup is made of and put back into. */
export interface BackupParts {
  readonly db: Database;
  readonly archive: CardArchive;
  readonly studio: StudioArchive;
  readonly keeping: Safekeeping;
  readonly locks: Locks;
  readonly newId: () => string;
}

/** The whole studio as one file: settings, people, paint box, and all cards with their pictures and painted sheets. */
export async function backUp(parts: BackupParts, madeAt: string): Promise<Uint8Array> {
  const { db, archive, studio } = parts;
  const cards: BackedUpCard[] = [];
  for (const id of await archive.ids()) {
    const read = await archive.readOrFault(id);
    const rows = await db.attachments.where({ planId: id }).toArray();
    const files = readInput(z.array(attachmentSchema), rows, 'attachments');
    cards.push({
      id,
      plan: read && 'plan' in read ? read.plan : (await db.plans.get(id))?.plan,
      attachments: Object.fromEntries(files.map(({ name, bytes }) => [name, bytes])),
    });
  }
  return writeBackup({ madeAt, studio: await studio.raw(), cards });
}

/**
 * Puts a backup back. Nothing here is overwritten that anybody has changed: what differs comes beside. Throws `BadInput` where
 * the file is no backup.
 */
export async function restore(parts: BackupParts, file: Uint8Array): Promise<Restored> {
  const { studio, cards, damaged } = readBackup(file);
  const came: Record<'back' | 'beside' | 'same' | 'refused', string[]> = {
    ...{ back: [], beside: [], same: [] },
    refused: damaged.map((what) => `${what}: damaged in the file`),
  };
  for (const card of cards) {
    const title = titleOf(card.plan, card.id);
    try {
      came[await putCard(parts, readPlan(card.plan), card.attachments)].push(title);
    } catch (cause) {
      if (!(cause instanceof BadInput)) throw cause;
      came.refused.push(`“${title}”: ${cause.message}`);
    }
  }
  return { ...came, studio: await putStudio(parts, studio) };
}

async function putCard(
  { db, archive, keeping, locks, newId }: BackupParts,
  plan: Plan,
  attachments: BackedUpCard['attachments'],
): Promise<'back' | 'beside' | 'same'> {
  const row = await db.plans.get(plan.id);
  if (!row) {
    await archive.create(plan, attachments);
    return 'back';
  }
  const here = await archive.readOrFault(plan.id);
  if (here && 'plan' in here && JSON.stringify(here.plan) === JSON.stringify(plan)) return 'same';
  const untouched = here && 'plan' in here && here.seq === 0;
  const lock = untouched ? await locks.take(cardLock(plan.id)) : null;
  if (!lock) {
    const title = `${plan.title.slice(0, 60)}, from the backup`;
    await archive.create({ ...plan, id: newId(), title }, attachments);
    return 'beside';
  }
  try {
    // The pictures first: a plan must never stand there without them.
    for (const [name, bytes] of Object.entries(attachments)) await archive.attach(plan.id, name, bytes);
    await keeping.putBack([plan], 'restored');
  } finally {
    lock.release();
  }
  return 'back';
}

async function putStudio({ db, studio }: BackupParts, json: unknown): Promise<Restored['studio']> {
  const backedUp = readOrNull(json);
  if (!backedUp) return 'damaged';
  const here = await studio.begin(backedUp);
  if (JSON.stringify(here) === JSON.stringify(backedUp)) return 'same';
  if ((await db.studioJournal.count()) === 0) {
    await studio.beginAnew(backedUp);
    return 'taken';
  }
  const missing = missingIn(here, backedUp);
  if (missing.length > 0) await studio.change(missing);
  return missing.length > 0 ? 'merged' : 'same';
}

function readOrNull(json: unknown): Studio | null {
  try {
    return readStudio(json);
  } catch (cause) {
    if (cause instanceof BadInput) return null;
    throw cause;
  }
}
