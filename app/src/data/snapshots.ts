import type { Database } from './database';
import type { Snapshot } from './rows';

/** So many earlier states of one card, or of the studio, are kept; the oldest go first. */
const MOST_OF_ONE = 6;

/** Keeps a card or the studio as it is before something that cannot be taken back. Within a transaction on snapshots. */
export async function keepSnapshot(db: Database, snapshot: Omit<Snapshot, 'n' | 'at'>): Promise<void> {
  await db.snapshots.add({ ...snapshot, at: Date.now() });
  const kept = await db.snapshots.where({ of: snapshot.of }).primaryKeys();
  await db.snapshots.bulkDelete(kept.sort((a, b) => a - b).slice(0, -MOST_OF_ONE));
}
