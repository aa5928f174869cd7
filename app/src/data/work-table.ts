import { BehaviorSubject, type Observable, type Subscription } from 'rxjs';
import type { Command, Plan } from '@kettle/core/document/plan';
import { BadInput } from '@kettle/core/kit/units';
import type { CardArchive, StoredPlan } from './card-archive';
import { CardSession, type Kept } from './card-session';
import { cardLock, type HeldLock, type Locks } from './locks';
import { StorageSilent, type StorageWatch } from './storage-watch';
import { isMissing, strokeMade } from './stroke-made';

/** A card on the table: its plan, how often it has changed since it was opened, and whether this tab may write it. */
export interface OpenPlan {
  readonly plan: Plan;
  readonly revision: number;
  readonly mayWrite: boolean;
  readonly canUndo: boolean;
  readonly canRedo: boolean;
  readonly kept: Kept;
}

/** Where the table stands; docs/keeping.md draws the states and what leads from one to the next. */
type State =
  | { readonly is: 'empty' }
  | { readonly is: 'opening'; readonly id: string }
  | { readonly is: 'writing'; readonly session: CardSession }
  | {
      readonly is: 'reading' | 'taking-over';
      readonly stored: StoredPlan;
      readonly stops: () => void;
    };

/** What happened on the table without its own hand. */
export type WorkTableEvent =
  | { readonly what: 'read-only'; readonly id: string }
  /** `strokes` were under the pen when the tab that had it went. */
  | { readonly what: 'taken-over'; readonly id: string; readonly strokes: number }
  | { readonly what: 'strokes-recovered'; readonly id: string; readonly strokes: number }
  | { readonly what: 'gone'; readonly id: string; readonly title: string }
  | { readonly what: 'unreadable'; readonly id: string; readonly fault: string };

/** What the table stands on: the archive, the locks all tabs share, and the way to follow a card of another tab. */
export interface TableParts {
  readonly archive: CardArchive;
  readonly locks: Locks;
  readonly watch: StorageWatch;
  /** A card as it is now and after each change to it; `null` once it is gone. */
  readonly follow: (id: string) => Observable<StoredPlan | null>;
  readonly tell: (news: WorkTableEvent) => void;
}

/**
 * The one card on the table of a tab. Opening and closing happen one after another, and only the card asked for last stays: so
 * that the address, the card, its lock and its journal always belong together.
 */
export class WorkTable {
  private state: State = { is: 'empty' };
  private turn: Promise<unknown> = Promise.resolve();
  private ticket = 0;
  private revision = 0;
  /** Cards that could not be kept when they were left; they stay in this tab, with their locks. */
  private readonly parked = new Map<string, CardSession>();

  readonly open$ = new BehaviorSubject<OpenPlan | null>(null);
  /** Cards that are in this tab alone. */
  readonly unkept$ = new BehaviorSubject<readonly Plan[]>([]);

  constructor(private readonly parts: TableParts) {}

  /** The card on the table or on its way there. */
  private get id(): string | null {
    switch (this.state.is) {
      case 'empty':
        return null;
      case 'opening':
        return this.state.id;
      case 'writing':
        return this.state.session.plan.id;
      default:
        return this.state.stored.plan.id;
    }
  }

  /**
   * Puts a card on the table, unless another is asked for meanwhile. Another tab's card opens to be read, and becomes ours when
   * that tab lets go. Throws `BadInput` where there is none or it cannot be read.
   */
  open(id: string): Promise<void> {
    const ticket = ++this.ticket;
    return this.inTurn(async () => {
      if (ticket !== this.ticket || this.lies(id)) return;
      await this.clear();
      if (ticket !== this.ticket) return;
      await this.fetch(id, ticket);
    });
  }

  close(): Promise<void> {
    this.ticket++;
    return this.inTurn(() => this.clear());
  }

  /** Puts a card that could not be kept into this tab, to be opened from there. */
  async park(plan: Plan): Promise<void> {
    const lock = await this.parts.locks.take(cardLock(plan.id));
    if (!lock) throw new BadInput('card', 'is open in another tab');
    this.parked.set(plan.id, this.sessionOf(lock, { plan, seq: 0 }, true));
    this.tellUnkept();
  }

  /** Carries commands out as one step that can be undone. `false` where this tab may not write. Throws `BadInput` for what no plan can hold. */
  do(commands: readonly Command[]): boolean {
    return this.change((session) => session.do(commands));
  }

  undo(): boolean {
    return this.change((session) => session.undo());
  }

  redo(): boolean {
    return this.change((session) => session.redo());
  }

  saveWhole(): void {
    if (this.state.is === 'writing') this.state.session.saveWhole();
  }

  async settled(): Promise<void> {
    if (this.state.is === 'writing') await this.state.session.settled();
  }

  private change(step: (session: CardSession) => void): boolean {
    if (this.state.is === 'reading' || this.state.is === 'taking-over') return false;
    if (this.state.is === 'writing') step(this.state.session);
    return true;
  }

  private inTurn(step: () => Promise<void>): Promise<void> {
    const mine = this.turn.then(step);
    this.turn = mine.catch(() => undefined);
    return mine;
  }

  private lies(id: string): boolean {
    return this.id === id && this.state.is !== 'opening';
  }

  private async clear(): Promise<void> {
    const before = this.state;
    if (before.is === 'reading' || before.is === 'taking-over') before.stops();
    if (before.is === 'writing') {
      const { session } = before;
      if (!(await session.close())) this.parked.set(session.plan.id, session);
    }
    this.enter({ is: 'empty' });
    this.tellUnkept();
  }

  private async fetch(id: string, ticket: number): Promise<void> {
    const parked = this.parked.get(id);
    if (parked) {
      this.parked.delete(id);
      this.enter({ is: 'writing', session: parked });
      this.tellUnkept();
      return;
    }
    this.enter({ is: 'opening', id });
    const { archive, locks, watch } = this.parts;
    const lock = await locks.take(cardLock(id));
    const givesUp = (): boolean => {
      if (ticket === this.ticket) return false;
      lock?.release();
      this.enter({ is: 'empty' });
      return true;
    };
    if (givesUp()) return;
    try {
      const stored = await (lock ? watch.write(() => archive.open(id)) : watch.read(() => archive.read(id)));
      if (givesUp()) return;
      if (!stored) throw new BadInput('card', `there is no card “${id}” in this browser`);
      if (!lock) this.readAlong(id, stored);
      else {
        const strokes = await this.takeUp(lock, stored);
        if (strokes > 0) this.parts.tell({ what: 'strokes-recovered', id, strokes });
      }
    } catch (cause) {
      lock?.release();
      this.enter({ is: 'empty' });
      throw cause instanceof StorageSilent ? new BadInput('card', cause.message) : cause;
    }
  }

  /** Puts a card under this tab's hand; tells how many strokes of a lost tab came with it. */
  private async takeUp(lock: HeldLock, stored: StoredPlan): Promise<number> {
    const session = this.sessionOf(lock, stored);
    // Before any hand is let to it: a stroke found later would lie over newer work.
    const strokes = await this.recoverStrokes(session);
    this.enter({ is: 'writing', session });
    return strokes;
  }

  private sessionOf(lock: HeldLock, stored: StoredPlan, unkept = false): CardSession {
    const { archive, watch } = this.parts;
    const session: CardSession = new CardSession(
      ...([archive, watch, lock, stored] as const),
      () => {
        if (this.state.is === 'writing' && this.state.session === session) this.publish();
        else void this.unpark(session);
      },
      unkept,
    );
    return session;
  }

  /** A card that was left unkept has been kept after all: it goes where the others are. */
  private async unpark(session: CardSession): Promise<void> {
    const { id } = session.plan;
    if (this.parked.get(id) !== session || session.kept !== 'kept') return;
    this.parked.delete(id);
    if (!(await session.close())) this.parked.set(id, session);
    this.tellUnkept();
  }

  /** A stroke that was under the pen when a tab went becomes what it was begun as. */
  private async recoverStrokes(session: CardSession): Promise<number> {
    const { archive, watch } = this.parts;
    const { id } = session.plan;
    const lost = await watch.read(() => archive.lostStrokes(id));
    for (const stroke of lost) {
      if (isMissing(session.plan, stroke)) session.do([strokeMade(stroke)]);
      await session.settled();
      if (session.kept === 'kept') await watch.write(() => archive.dropStroke(id, stroke.stroke));
    }
    return lost.length;
  }

  /** As a reader: shows each change the owner writes, and takes over when the owner is gone. */
  private readAlong(id: string, stored: StoredPlan): void {
    const waits = new AbortController();
    let following: Subscription | null = null;
    const stops = (): void => {
      waits.abort();
      following?.unsubscribe();
    };
    this.enter({ is: 'reading', stored, stops });
    this.parts.tell({ what: 'read-only', id });
    following = this.parts.follow(id).subscribe({
      next: (now) => this.followed(stops, now),
      error: (cause: unknown) =>
        this.parts.tell({
          what: 'unreadable',
          id,
          fault: cause instanceof Error ? cause.message : String(cause),
        }),
    });
    void this.parts.locks.whenFree(cardLock(id), waits.signal).then((lock) => {
      if (lock) void this.inTurn(() => this.takeOver(stops, lock, id));
    });
  }

  private isReading(stops: () => void): boolean {
    return this.state.is === 'reading' && this.state.stops === stops;
  }

  private followed(stops: () => void, now: StoredPlan | null): void {
    if (!this.isReading(stops) || this.state.is !== 'reading') return;
    const { stored } = this.state;
    if (now === null) {
      stops();
      this.enter({ is: 'empty' });
      this.parts.tell({ what: 'gone', id: stored.plan.id, title: stored.plan.title });
    } else if (now.seq !== stored.seq || now.plan !== stored.plan) {
      this.enter({ is: 'reading', stored: now, stops });
    }
  }

  private async takeOver(stops: () => void, lock: HeldLock, id: string): Promise<void> {
    if (!this.isReading(stops) || this.state.is !== 'reading') {
      lock.release();
      return;
    }
    const { archive, watch, tell } = this.parts;
    this.enter({ ...this.state, is: 'taking-over' });
    stops();
    try {
      const stored = await watch.write(() => archive.open(id));
      if (!stored) throw new BadInput('card', 'is no longer in this browser');
      tell({ what: 'taken-over', id, strokes: await this.takeUp(lock, stored) });
    } catch (cause) {
      lock.release();
      this.enter({ is: 'empty' });
      tell({ what: 'unreadable', id, fault: cause instanceof Error ? cause.message : String(cause) });
    }
  }

  private enter(state: State): void {
    this.state = state;
    this.publish();
  }

  private publish(): void {
    const open = this.lying();
    if (!open && !this.open$.value) return;
    this.open$.next(open && { ...open, revision: this.revisionOf(open.plan) });
    if (this.state.is === 'writing') this.tellUnkept();
  }

  /** Counts up with the plan; that it has been kept is no change of it. */
  private revisionOf(plan: Plan): number {
    if (this.open$.value?.plan !== plan) this.revision++;
    return this.revision;
  }

  private lying(): Omit<OpenPlan, 'revision'> | null {
    if (this.state.is === 'empty' || this.state.is === 'opening') return null;
    if (this.state.is === 'writing') {
      const { plan, canUndo, canRedo, kept } = this.state.session;
      return { plan, mayWrite: true, canUndo, canRedo, kept };
    }
    const { plan } = this.state.stored;
    return { plan, mayWrite: false, canUndo: false, canRedo: false, kept: 'kept' };
  }

  private tellUnkept(): void {
    const open =
      this.state.is === 'writing' && this.state.session.kept === 'not-kept' ? [this.state.session] : [];
    const unkept = [...open, ...this.parked.values()].map(({ plan }) => plan);
    const before = this.unkept$.value;
    if (unkept.length !== before.length || unkept.some((plan, i) => plan !== before[i]))
      this.unkept$.next(unkept);
  }
}
