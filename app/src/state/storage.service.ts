import { inject, Injectable } from '@angular/core';
import { CardArchive } from '../data/card-archive';
import { Database } from '../data/database';
import { BrowserLocks, tabLock } from '../data/locks';
import { StorageWatch } from '../data/storage-watch';
import { StudioArchive } from '../data/studio-archive';

/** What this browser keeps and how it is reached: the database, the locks of all tabs, and the watch over both. */
@Injectable({ providedIn: 'root' })
export class Storage {
  readonly db = inject(Database);
  readonly locks = new BrowserLocks();
  readonly watch = new StorageWatch();
  readonly archive = new CardArchive(this.db);
  readonly studio = new StudioArchive(this.db);
  /** This tab, among those that are open. */
  readonly tab = crypto.randomUUID().slice(0, 8);

  constructor() {
    // Held until the tab is gone: so the others know that it is there.
    void this.locks.take(tabLock(this.tab));
  }
}
