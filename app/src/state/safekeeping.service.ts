import { computed, inject, Injectable, signal } from '@angular/core';
import type { Restored } from '../data/backup';
import { newCardId } from '../data/card-id';
import { backedUpSchema, type Snapshot } from '../data/rows';
import { damageOf, planOf, type DamagedCard } from '../data/mending';
import type { BinnedCard } from '../data/safekeeping';
import { KeepingWorker } from '../workers/keeping-worker.service';
import { handOver } from '../ui/hand-over';
import { CardShelf } from './card-shelf';
import { Messages } from './messages.service';
import { Storage } from './storage.service';
import { StudioStore } from './studio-store';
import { BACKUP_LIMITS } from '@kettle/core/files/formats';
import { BadInput, readInput } from '@kettle/core/kit/units';
import { bytesOf } from '../data/read-file';

/** A backup is asked for after so long, days. */
const REMIND_AFTER_DAYS = 31;
const DAY_MS = 86_400_000;

/** Backups, the bin, earlier states and the mending of what is damaged. */
@Injectable({ providedIn: 'root' })
export class SafekeepingService {
  private readonly storage = inject(Storage);
  private readonly shelf = inject(CardShelf);
  private readonly studio = inject(StudioStore);
  private readonly worker = inject(KeepingWorker);
  private readonly messages = inject(Messages);

  readonly binned = signal<readonly BinnedCard[]>([]);
  readonly snapshots = signal<readonly Snapshot[]>([]);
  readonly damaged = signal<readonly DamagedCard[]>([]);
  /** When the last backup was made, ms since the epoch; `null` for never. */
  readonly backedUpMs = signal<number | null>(null);
  readonly restored = signal<Restored | null>(null);
  /** What is being done, in words; empty when nothing is. */
  readonly busy = signal('');
  readonly studioFault = computed(() => this.studio.fault());

  /** Reads anew what is kept. */
  async refresh(): Promise<void> {
    const { watch } = this.storage;
    const { safekeeping } = this.shelf;
    // Many cards take their time: the worker reads them while the rest is told.
    const read = this.shelf.refresh();
    await watch.read(async () => {
      this.binned.set(await safekeeping.binned());
      this.snapshots.set(await safekeeping.snapshots());
      const last = await this.lastNote();
      this.backedUpMs.set(last && !last.putOff ? Date.parse(last.at) : null);
    });
    await read;
    const damaged = await Promise.all(this.shelf.unreadable().map(({ id }) => this.damageOf(id)));
    this.damaged.set(damaged.flatMap((card) => card ?? []));
  }

  /** Makes one file of all there is and hands it over. */
  backUp(): Promise<void> {
    return this.while('Packing everything into one file…', async () => {
      const now = new Date();
      const bytes = await this.worker.backUp(now.toISOString());
      handOver(bytes, `Kettle Drift, ${now.toISOString().slice(0, 10)}.kettle-backup`, 'application/zip');
      await this.note(now);
      await this.refresh();
    });
  }

  /** Puts a backup back. */
  restore(file: File): Promise<void> {
    return this.while(`Reading ${file.name}…`, async () => {
      try {
        this.restored.set(await this.worker.restore(await bytesOf(file, BACKUP_LIMITS.fileBytes)));
      } catch (cause) {
        const says = cause instanceof Error ? cause.message : String(cause);
        // A file that is refused is refused before anything is written.
        const refused = cause instanceof BadInput;
        this.messages.stop(
          `${file.name} was not ${refused ? 'restored' : 'restored to its end'}: ${says}.`,
          refused
            ? 'Everything here is as it was.'
            : 'What came in before stays. Make room and restore it again: what is here already is passed over.',
        );
      }
      await this.refresh();
    });
  }

  takeOutOfBin(id: string): Promise<void> {
    return this.change(() => this.shelf.safekeeping.takeOutOfBin(id));
  }

  deleteForGood(id: string): Promise<void> {
    return this.change(() => this.shelf.safekeeping.deleteForGood(id));
  }

  async throwAway(id: string): Promise<void> {
    try {
      await this.shelf.remove(id);
    } catch (cause) {
      if (!(cause instanceof BadInput)) throw cause;
      this.messages.stop(`Nothing was thrown away: ${cause.message}.`, '');
    }
    await this.refresh();
  }

  mend(id: string): Promise<void> {
    return this.change(async () => {
      const damage = await this.damageOf(id);
      if (!damage?.mended) throw new BadInput('card', 'nothing of it can be read');
      await this.shelf.keeper.putBack([damage.mended], 'mended');
    });
  }

  /** Puts an earlier state on the rack, as a card beside the one it became. */
  openBeside(snapshot: Snapshot): Promise<void> {
    return this.change(async () => {
      const plan = planOf(snapshot, newCardId());
      const title = `${plan.title.slice(0, 60)}, as it was`;
      const files = await this.storage.db.attachments.where({ planId: snapshot.of }).toArray();
      await this.storage.archive.create(
        { ...plan, title },
        Object.fromEntries(files.map(({ name, bytes }) => [name, bytes])),
      );
      this.messages.say(`“${title}” stands on the rack.`);
    });
  }

  /** Hands over rows as they stand, readable or not. */
  carryAway(name: string, raw: unknown): void {
    handOver(JSON.stringify(raw, withTypedArrays, 1), `${name}, as it is kept.json`, 'application/json');
  }

  async carryStudioAway(): Promise<void> {
    this.carryAway('The studio', await this.storage.studio.raw());
  }

  beginStudioAnew(): Promise<void> {
    return this.change(() => this.studio.beginAnew());
  }

  /** Reminds of a backup when the last one is a month old and there is something to lose. */
  async remind(changes: number): Promise<void> {
    const last = await this.storage.watch.read(() => this.lastNote());
    const nowMs = Date.now();
    if (last === null) {
      // The month begins with the first visit.
      await this.note(new Date(nowMs), true);
      return;
    }
    if (changes === 0 || nowMs - Date.parse(last.at) < REMIND_AFTER_DAYS * DAY_MS) return;
    this.messages.say(
      'Your last backup is more than a month old.',
      'Cards are kept in this browser alone.',
      { label: 'Back up everything', run: () => this.backUp() },
      { label: 'Remind me in a month', run: () => this.note(new Date(nowMs), true) },
    );
  }

  private async lastNote(): Promise<{ at: string; putOff: boolean } | null> {
    const note = await this.storage.db.notes.get('backed-up');
    return note ? readInput(backedUpSchema, note.value, 'backed-up') : null;
  }

  private async note(at: Date, putOff = false): Promise<void> {
    const value = { at: at.toISOString(), putOff };
    await this.storage.watch.write(() => this.storage.db.notes.put({ key: 'backed-up', value }));
  }

  private damageOf(id: string): Promise<DamagedCard | null> {
    const { db, archive } = this.storage;
    return damageOf({ db, archive, safekeeping: this.shelf.safekeeping }, id);
  }

  private async change(step: () => Promise<void>): Promise<void> {
    try {
      await this.storage.watch.write(step);
    } catch (cause) {
      if (!(cause instanceof BadInput)) throw cause;
      this.messages.stop(`${cause.message}.`, 'Nothing was changed.');
    }
    await this.refresh();
  }

  private async while(what: string, step: () => Promise<void>): Promise<void> {
    this.busy.set(what);
    try {
      await step();
    } finally {
      this.busy.set('');
    }
  }
}

/** Flat arrays as lists, so that nothing of them is lost in JSON. */
const withTypedArrays = (_: string, value: unknown): unknown =>
  value instanceof Float64Array || value instanceof Int32Array ? Array.from(value) : value;
