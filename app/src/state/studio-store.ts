import { computed, inject, Injectable, signal } from '@angular/core';
import { liveQuery } from 'dexie';
import { from } from 'rxjs';
import { dayOf } from '@kettle/core/commission/occasion';
import {
  afterStudioCommands,
  NEW_STUDIO,
  studioCommandsBetween,
  undoingStudio,
  type Studio,
  type StudioCommand,
} from '@kettle/core/document/plan';
import { BadInput, formatLength } from '@kettle/core/kit/units';
import { readStudio } from '@kettle/core/document/versions';
import type { Desk } from '../workers/table-api';
import { Messages } from './messages.service';
import { Storage } from './storage.service';

/** What could not be written is tried again after so long, ms. */
const TRIES_AGAIN_MS = 3000;

/** The studio: whose table it is, its usual air and paper, mm or inch. All tabs change the same one. */
@Injectable({ providedIn: 'root' })
export class StudioStore {
  private readonly storage = inject(Storage);
  private readonly messages = inject(Messages);
  readonly studio = signal<Studio>(NEW_STUDIO);
  /** Why the studio that is kept cannot be read; then it is left alone, and nothing is changed. */
  readonly fault = signal<string | null>(null);
  /** What takes the changes of this tab back, the last at the end, and what brings them again. */
  private readonly done = signal<readonly (readonly StudioCommand[])[]>([]);
  private readonly undone = signal<readonly (readonly StudioCommand[])[]>([]);
  /** Changes that could not be kept yet. */
  private readonly unkept = signal<readonly StudioCommand[]>([]);
  /** Changes that are being written, or wait for it, the first at the front. */
  private readonly underWay = signal<readonly StudioCommand[]>([]);
  readonly allKept = computed(() => this.unkept().length === 0 && this.underWay().length === 0);
  private writing: Promise<unknown> = Promise.resolve();

  /** Reads the studio, and follows what other tabs do to it. */
  async load(): Promise<void> {
    try {
      this.take(await this.storage.watch.read(() => this.storage.studio.read()));
    } catch (cause) {
      this.unreadable(cause);
    }
    from(liveQuery(() => this.storage.studio.read())).subscribe({
      next: (studio) => this.take(studio),
      error: (cause: unknown) => this.unreadable(cause),
    });
  }

  /** Changes the studio at once and keeps it. `false`, and said, when no studio can be so or the one kept cannot be read. */
  change(change: Partial<Studio>): Promise<boolean> {
    const now = this.studio();
    return this.do(studioCommandsBetween(now, { ...now, ...change }));
  }

  /** The same, said as commands. What cannot be written is kept in this tab and tried again. */
  async do(commands: readonly StudioCommand[]): Promise<boolean> {
    const undoes = await this.carryOut(commands);
    if (!undoes) return false;
    this.done.update((done) => [...done, undoes]);
    this.undone.set([]);
    return true;
  }

  get canUndo(): boolean {
    return this.done().length > 0;
  }

  get canRedo(): boolean {
    return this.undone().length > 0;
  }

  /** Takes this tab's last change back; what others have changed meanwhile stays. */
  undo(): Promise<void> {
    return this.step(this.done, this.undone);
  }

  redo(): Promise<void> {
    return this.step(this.undone, this.done);
  }

  /** Begins anew beside a studio that cannot be read; that one is kept as an earlier state. */
  async beginAnew(): Promise<void> {
    await this.storage.watch.write(() => this.storage.studio.beginAnew(NEW_STUDIO));
    this.fault.set(null);
    this.studio.set(NEW_STUDIO);
  }

  /** What today’s table asks of a plan: its dish, and the evenings that are left. */
  desk(): Desk {
    const { dish, evenings, letter } = this.studio();
    return { dish, evenings, letter, today: dayOf(new Date()) };
  }

  /** A length in the unit of the table. */
  length(mm: number): string {
    return formatLength(mm, this.studio().lengthUnit);
  }

  private async step(from_: typeof this.done, to: typeof this.done): Promise<void> {
    const commands = from_().at(-1);
    if (!commands) return;
    from_.update((list) => list.slice(0, -1));
    const undoes = await this.carryOut(commands);
    if (undoes) to.update((list) => [...list, undoes]);
  }

  private async carryOut(commands: readonly StudioCommand[]): Promise<readonly StudioCommand[] | null> {
    if (commands.length === 0) return [];
    if (this.fault() !== null) {
      this.messages.stop(
        'The studio’s settings cannot be read, so they cannot be changed.',
        'They are untouched. Safekeeping tells what can be done.',
      );
      return null;
    }
    const before = this.studio();
    try {
      this.studio.set(readStudio(afterStudioCommands(before, commands)));
    } catch (cause) {
      if (!(cause instanceof BadInput)) throw cause;
      this.messages.stop(`${cause.message}.`, 'Nothing was changed.');
      return null;
    }
    return this.keep(commands, undoingStudio(before, commands));
  }

  private keep(
    commands: readonly StudioCommand[],
    undoes: readonly StudioCommand[],
  ): Promise<readonly StudioCommand[] | null> {
    this.underWay.update((list) => [...list, ...commands]);
    const kept = this.writing.then(async () => {
      const all = [...this.unkept(), ...commands];
      try {
        const changed = await this.storage.watch.write(() => this.storage.studio.change(all));
        this.unkept.set([]);
        this.written(commands);
        // A later change of this tab stands on the screen already, and must not go from it while it waits.
        this.take(changed.studio);
        return all.length === commands.length ? changed.undoes : undoes;
      } catch (cause) {
        if (cause instanceof BadInput) {
          this.written(commands);
          await this.refused(cause);
          return null;
        }
        // The watch has told of it; the change goes on in this tab.
        this.unkept.set(all);
        this.written(commands);
        setTimeout(() => void this.tryAgain(), TRIES_AGAIN_MS);
        return undoes;
      }
    });
    this.writing = kept;
    return kept;
  }

  private written(commands: readonly StudioCommand[]): void {
    this.underWay.update((list) => list.slice(commands.length));
  }

  /** What other tabs have done, and this on top, no studio can be; or the one that is kept cannot be read. */
  private async refused(cause: BadInput): Promise<void> {
    this.unkept.set([]);
    try {
      this.take(await this.storage.watch.read(() => this.storage.studio.read()));
      this.messages.stop(`${cause.message}.`, 'Nothing was changed.');
    } catch (unread) {
      this.unreadable(unread);
    }
  }

  private async tryAgain(): Promise<void> {
    if (this.unkept().length > 0) await this.keep([], []);
  }

  private take(studio: Studio | null): void {
    this.fault.set(null);
    if (studio) this.studio.set(afterStudioCommands(studio, [...this.unkept(), ...this.underWay()]));
  }

  private unreadable(cause: unknown): void {
    // What the storage itself cannot do is told by its watch.
    if (!(cause instanceof BadInput)) return;
    if (this.fault() === null)
      this.messages.trouble(
        `The studio’s settings cannot be read: ${cause.message}.`,
        'They are untouched, and nothing will be written over them. Safekeeping tells what can be done.',
      );
    this.fault.set(cause.message);
  }
}
