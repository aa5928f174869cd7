import Dexie, { type EntityTable, type Table } from 'dexie';
import type {
  Attachment,
  Draft,
  JournalEntry,
  Note,
  SavedPlan,
  Snapshot,
  StrokePiece,
  StudioEntry,
} from './rows';

/** Everything the app keeps, in this browser. */
export class Database extends Dexie {
  readonly plans!: EntityTable<SavedPlan, 'id'>;
  readonly journal!: EntityTable<JournalEntry, 'n'>;
  readonly strokes!: EntityTable<StrokePiece, 'n'>;
  readonly notes!: EntityTable<Note, 'key'>;
  readonly attachments!: Table<Attachment, [string, string]>;
  readonly studioJournal!: EntityTable<StudioEntry, 'n'>;
  readonly snapshots!: EntityTable<Snapshot, 'n'>;
  readonly drafts!: EntityTable<Draft, 'key'>;

  constructor(name = 'kettle-drift') {
    super(name);
    this.version(1).stores({
      plans: 'id',
      journal: '++n, [planId+seq]',
      strokes: '++n, planId',
      notes: 'key',
    });
    this.version(2).stores({ attachments: '[planId+name], planId' });
    this.version(3).stores({
      ...{ plans: 'id, binnedAt' },
      ...{ studioJournal: '++n', snapshots: '++n, of', drafts: 'key, tab' },
    });
  }
}
