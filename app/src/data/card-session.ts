import { commandSchema, type Command, type Patch, type Plan } from '@kettle/core/document/plan';
import { readInput } from '@kettle/core/kit/units';
import type { CardArchive, StoredPlan } from './card-archive';
import type { HeldLock } from './locks';
import { PlanHistory } from './plan-history';
import type { StorageWatch } from './storage-watch';

/** Journal entries before the card is saved whole again. */
const ENTRIES_A_SAVE = 40;

/** What could not be written is tried again after so long, ms. */
const TRIES_AGAIN_MS = 3000;

/** Whoever leaves a card waits for the storage no longer than this, ms. */
const LEAVES_AFTER_MS = 1200;

/** Whether all that was done is in the browser's storage: it is, it is being written, or it could not be. */
export type Kept = 'kept' | 'keeping' | 'not-kept';

/** A card under this tab's lock: its history, and the journal every change goes to the moment it is made. */
export class CardSession {
  private readonly history: PlanHistory;
  private seq: number;
  private savedSeq: number;
  /** A change is missing from the journal; the next write saves the card whole instead. */
  private torn: boolean;
  private waiting = 0;
  private writing: Promise<void> = Promise.resolve();
  private again: ReturnType<typeof setTimeout> | undefined;

  constructor(
    private readonly archive: CardArchive,
    private readonly watch: StorageWatch,
    private readonly lock: HeldLock,
    stored: StoredPlan,
    private readonly changed: () => void,
    /** It is not in the storage at all yet. */
    unkept = false,
  ) {
    this.history = new PlanHistory(stored.plan);
    this.seq = this.savedSeq = stored.seq;
    this.torn = unkept;
  }

  get plan(): Plan {
    return this.history.plan;
  }

  get canUndo(): boolean {
    return this.history.canUndo;
  }

  get canRedo(): boolean {
    return this.history.canRedo;
  }

  get kept(): Kept {
    if (this.torn) return 'not-kept';
    return this.waiting > 0 ? 'keeping' : 'kept';
  }

  /** Carries commands out as one step that can be undone. Throws `BadInput` for what no plan can hold, with the field named. */
  do(commands: readonly Command[]): void {
    this.write(this.history.do(commands.map((command) => readInput(commandSchema, command))));
  }

  undo(): void {
    this.write(this.history.undo());
  }

  redo(): void {
    this.write(this.history.redo());
  }

  /** All written so far is in the storage, or could not be, when this resolves. */
  settled(): Promise<void> {
    return this.writing;
  }

  /** Saves the card whole where anything stands in the journal alone. */
  saveWhole(): void {
    if (this.seq === this.savedSeq && !this.torn) return;
    this.savedSeq = this.seq;
    this.enqueue(() => this.saveNow());
  }

  /** Lets the card go. `false` where it is not in the storage as it stands: then this session still has it, and its lock. */
  async close(): Promise<boolean> {
    this.saveWhole();
    await Promise.race([this.writing, new Promise((resolve) => setTimeout(resolve, LEAVES_AFTER_MS))]);
    if (this.kept !== 'kept') return false;
    clearTimeout(this.again);
    this.lock.release();
    return true;
  }

  private write(patches: readonly Patch[]): void {
    if (patches.length === 0) return;
    const { id } = this.history.plan;
    const seq = ++this.seq;
    this.enqueue(() => (this.torn ? this.saveNow() : this.archive.append(id, seq, patches)));
    if (seq - this.savedSeq >= ENTRIES_A_SAVE) this.saveWhole();
    else this.changed();
  }

  private async saveNow(): Promise<void> {
    const seq = this.seq;
    await this.archive.save(this.history.plan, seq);
    this.torn = false;
    this.savedSeq = seq;
  }

  private enqueue(task: () => Promise<void>): void {
    this.waiting++;
    this.writing = this.writing
      .then(() => this.watch.write(task))
      .catch(() => this.tear())
      .finally(() => {
        this.waiting--;
        this.changed();
      });
    this.changed();
  }

  /** What went wrong is told by the watch; here the card is only known not to be kept, and that is tried again. */
  private tear(): void {
    this.torn = true;
    clearTimeout(this.again);
    this.again = setTimeout(() => this.saveWhole(), TRIES_AGAIN_MS);
  }
}
