import {
  afterStudioCommands,
  NEW_STUDIO,
  studioCommandSchema,
  undoingStudio,
  type Studio,
  type StudioCommand,
} from '@kettle/core/document/plan';
import { readInput } from '@kettle/core/kit/units';
import { readStudio, STUDIO_VERSION, versionOf } from '@kettle/core/document/versions';
import type { Database } from './database';
import { noteSchema } from './rows';
import { keepSnapshot } from './snapshots';

/** So many changes to the studio are kept with what takes them back. */
const MOST_ENTRIES = 200;

/** The studio after a change, and what takes it back. */
export interface ChangedStudio {
  readonly studio: Studio;
  readonly undoes: readonly StudioCommand[];
}

/**
 * The studio in the browser's database. Each change is carried out on what stands there at that moment, within one
 * transaction: the database lets one tab at a time, so what several do comes together.
 */
export class StudioArchive {
  constructor(private readonly db: Database) {}

  /** The studio; `null` where none has been kept. Throws `BadInput` where it cannot be read. */
  async read(): Promise<Studio | null> {
    const row = await this.db.notes.get('studio');
    return row ? readStudio(readInput(noteSchema, row, 'studio').value) : null;
  }

  /** Keeps a studio where there is none yet; tells which is there now. */
  begin(studio: Studio): Promise<Studio> {
    return this.db.transaction('rw', this.db.notes, async () => {
      const known = await this.read();
      if (!known) await this.db.notes.put({ key: 'studio', value: studio });
      return known ?? studio;
    });
  }

  /** Carries commands out. Throws `BadInput` for what no studio can be, or where the one there cannot be read; then nothing is changed. */
  change(commands: readonly StudioCommand[]): Promise<ChangedStudio> {
    const checked = commands.map((command) => readInput(studioCommandSchema, command));
    const { notes, studioJournal, snapshots } = this.db;
    return this.db.transaction('rw', notes, studioJournal, snapshots, async () => {
      const before = (await this.read()) ?? NEW_STUDIO;
      const studio = readStudio(afterStudioCommands(before, checked));
      const undoes = undoingStudio(before, checked);
      await this.keepOlder();
      await notes.put({ key: 'studio', value: studio });
      await studioJournal.add({ at: Date.now(), commands: checked, undoes });
      const kept = await studioJournal.count();
      if (kept > MOST_ENTRIES)
        await studioJournal
          .limit(kept - MOST_ENTRIES)
          .primaryKeys()
          .then((old) => studioJournal.bulkDelete(old));
      return { studio, undoes };
    });
  }

  /** Begins anew beside a studio that cannot be read, which is kept as it is. */
  beginAnew(studio: Studio): Promise<void> {
    return this.db.transaction('rw', this.db.notes, this.db.snapshots, async () => {
      const row = await this.db.notes.get('studio');
      if (row)
        await keepSnapshot(this.db, {
          ...{ of: 'studio', title: 'the studio', why: 'begun-anew' },
          ...{ saved: row, journal: [] },
        });
      await this.db.notes.put({ key: 'studio', value: studio });
    });
  }

  /** What stands there, readable or not. */
  async raw(): Promise<unknown> {
    return (await this.db.notes.get('studio'))?.value ?? null;
  }

  /** A studio of an earlier program is kept as it was before it is written in today's version. */
  private async keepOlder(): Promise<void> {
    const row = await this.db.notes.get('studio');
    if (row && versionOf(row.value) < STUDIO_VERSION)
      await keepSnapshot(this.db, {
        ...{ of: 'studio', title: 'the studio', why: 'renewed' },
        ...{ saved: row, journal: [] },
      });
  }
}
