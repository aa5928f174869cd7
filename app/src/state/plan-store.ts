import { inject, Injectable } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { liveQuery } from 'dexie';
import { BehaviorSubject, from, map, type Subscription } from 'rxjs';
import { commandSchema, type Command, type Patch, type Plan } from '@kettle/core/plan';
import { BadInput, readInput } from '@kettle/core/units';
import { Database } from './database';
import { Messages } from './messages.service';
import { PlanArchive } from './plan-archive';
import { PlanHistory } from './plan-history';
import { PlanLock } from './plan-lock';
import { isMissing, strokeMade } from './stroke-made';

/** A card on the table: its plan, how often it has changed since it was opened, and whether this tab may write it. */
export interface OpenPlan {
  readonly plan: Plan;
  readonly revision: number;
  readonly mayWrite: boolean;
  readonly canUndo: boolean;
  readonly canRedo: boolean;
}

/** Journal entries before the card is saved whole again. */
const ENTRIES_A_SAVE = 40;

/** The only writer of plans: takes commands, keeps the history, journals every change at once. */
@Injectable({ providedIn: 'root' })
export class PlanStore {
  private readonly messages = inject(Messages);
  private readonly archive = new PlanArchive(inject(Database));
  private readonly lock = new PlanLock();
  private readonly open$ = new BehaviorSubject<OpenPlan | null>(null);
  private history: PlanHistory | null = null;
  private mayWrite = false;
  private seq = 0;
  private savedSeq = 0;
  /** A change is missing from the journal; the next write saves the card whole instead. */
  private journalTorn = false;
  private writing: Promise<void> = Promise.resolve();
  private following: Subscription | null = null;

  readonly open = toSignal(this.open$, { requireSync: true });
  readonly plan = toSignal(this.open$.pipe(map((open) => open?.plan ?? null)), { requireSync: true });

  constructor() {
    document.addEventListener('visibilitychange', () => {
      if (document.visibilityState === 'hidden') this.saveWhole();
    });
  }

  /** Puts a card on the table. Another tab's card opens to be read, and becomes ours when that tab lets go. */
  async openPlan(id: string): Promise<void> {
    if (this.history?.plan.id === id) return;
    await this.close();
    this.mayWrite = await this.lock.take(id);
    if (!(await this.load(id))) {
      this.lock.release();
      throw new BadInput('card', `there is no card “${id}” in this browser`);
    }
    if (this.mayWrite) return this.recoverStrokes(id);
    this.follow(id);
    this.messages.say(
      'This card is open in another tab.',
      'Here it can be read; close the other tab to go on with it here.',
    );
  }

  async close(): Promise<void> {
    this.following?.unsubscribe();
    this.following = null;
    if (this.history) {
      this.saveWhole();
      await this.writing;
    }
    this.journalTorn = false;
    this.lock.release();
    this.history = null;
    this.open$.next(null);
  }

  /** Carries commands out as one step that can be undone. Refuses what no plan can hold, with the field named. */
  do(...commands: Command[]): void {
    this.change((history) => history.do(commands.map((command) => readInput(commandSchema, command))));
  }

  undo(): void {
    this.change((history) => history.undo());
  }

  redo(): void {
    this.change((history) => history.redo());
  }

  /** All written so far is on disk when this resolves. */
  settled(): Promise<void> {
    return this.writing;
  }

  private change(step: (history: PlanHistory) => readonly Patch[]): void {
    if (!this.history) return;
    if (!this.mayWrite) {
      this.messages.stop(
        'This card is open in another tab.',
        'Nothing was changed. Close the other tab to go on here.',
      );
      return;
    }
    try {
      const patches = step(this.history);
      if (patches.length === 0) return;
      this.publish();
      this.write(patches);
    } catch (cause) {
      if (!(cause instanceof BadInput)) throw cause;
      this.messages.stop(cause.message, 'Nothing was changed.');
    }
  }

  private write(patches: readonly Patch[]): void {
    const { id } = this.history!.plan;
    const seq = ++this.seq;
    this.enqueue(() => (this.journalTorn ? this.saveNow() : this.archive.append(id, seq, patches)));
    if (seq - this.savedSeq >= ENTRIES_A_SAVE) this.saveWhole();
  }

  private saveWhole(): void {
    if (!this.history || !this.mayWrite || (this.seq === this.savedSeq && !this.journalTorn)) return;
    this.savedSeq = this.seq;
    this.enqueue(() => this.saveNow());
  }

  private async saveNow(): Promise<void> {
    await this.archive.save(this.history!.plan, this.seq);
    this.journalTorn = false;
  }

  private enqueue(task: () => Promise<void>): void {
    this.writing = this.writing.then(task).catch((cause: unknown) => {
      this.journalTorn = true;
      this.messages.notSaved(cause);
    });
  }

  private async load(id: string): Promise<boolean> {
    const stored = await this.archive.read(id);
    if (!stored) return false;
    this.history = new PlanHistory(stored.plan);
    this.seq = this.savedSeq = stored.seq;
    this.publish();
    return true;
  }

  /** As a reader: shows each change the owner writes, and takes over when the owner is gone. */
  private follow(id: string): void {
    this.following = from(liveQuery(() => this.archive.read(id))).subscribe((stored) => {
      if (!stored || this.mayWrite || stored.seq === this.seq) return;
      this.history = new PlanHistory(stored.plan);
      this.seq = this.savedSeq = stored.seq;
      this.publish();
    });
    this.lock.whenFree(id, () => {
      void this.load(id).then(() => {
        this.mayWrite = true;
        this.publish();
        this.messages.say('The other tab has let this card go.', 'You can go on with it here.');
      });
    });
  }

  /** A stroke that was under the pen when the tab went becomes a line. */
  private async recoverStrokes(id: string): Promise<void> {
    const lost = await this.archive.lostStrokes(id);
    for (const stroke of lost) {
      if (isMissing(this.history!.plan, stroke)) this.do(strokeMade(stroke));
      await this.archive.dropStroke(id, stroke.stroke);
    }
    if (lost.length > 0)
      this.messages.say('A stroke that was not finished has been kept.', 'Undo takes it away.');
  }

  private publish(): void {
    const history = this.history!;
    this.open$.next({
      plan: history.plan,
      revision: (this.open$.value?.revision ?? 0) + 1,
      mayWrite: this.mayWrite,
      canUndo: history.canUndo,
      canRedo: history.canRedo,
    });
  }
}
