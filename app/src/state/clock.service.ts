import { computed, inject, Injectable, signal } from '@angular/core';
import { Subject, timer } from 'rxjs';
import {
  clockFrom,
  keptOf,
  slept,
  tableTime,
  ticked,
  wasSet,
  type ClockJump,
  type ClockReading,
} from '@kettle/core/kit/clock';
import { readInput } from '@kettle/core/kit/units';
import { keptClockSchema } from '../data/rows';
import { Storage } from './storage.service';

const TICK_MS = 500;

/** While somebody sits at the table, the clock is kept so often, ticks. */
const KEPT_EVERY = 20;

const reading = (): ClockReading => ({ wallMs: Date.now(), steadyMs: performance.now() });

/** The time at the table, twice a second: it runs on whatever happens to the clock of the computer. */
@Injectable({ providedIn: 'root' })
export class Clock {
  private readonly storage = inject(Storage);
  private readonly clock = signal(clockFrom(reading(), null).clock);
  private ticks = 0;

  /** Table time, ms since the epoch. */
  readonly now = computed(() => tableTime(this.clock()));
  /** The computer’s clock has gone ahead: was it set, or did the computer sleep? */
  readonly asks = computed(() => this.clock().asks, {
    equal: (a, b) => a?.atMs === b?.atMs && a?.byMs === b?.byMs,
  });
  /** The computer’s clock was set back, by so many ms. */
  readonly setBack$ = new Subject<number>();
  /** Somebody sits at the table: the clock must be found again after a reload. */
  readonly isNeeded = signal(false);

  constructor() {
    void this.takeUp();
    timer(TICK_MS, TICK_MS).subscribe(() => this.tick());
  }

  /** The computer slept: that time has passed at the table as well. Tells the jump it was. */
  slept(): ClockJump | null {
    return this.answered(slept);
  }

  /** The clock was set: it only seems as if so much time had passed. */
  wasSet(): ClockJump | null {
    return this.answered(wasSet);
  }

  private answered(answer: typeof slept): ClockJump | null {
    const { asks } = this.clock();
    this.clock.update(answer);
    this.keep();
    return asks;
  }

  private tick(): void {
    const { clock, jump } = ticked(this.clock(), reading());
    this.clock.set(clock);
    if (jump && jump.byMs < 0) this.setBack$.next(-jump.byMs);
    if (jump || (this.isNeeded() && ++this.ticks % KEPT_EVERY === 0)) this.keep();
  }

  /** Goes on from where the clock was when the page was closed. */
  private async takeUp(): Promise<void> {
    const { watch, db } = this.storage;
    const note = await watch.read(() => db.notes.get('clock')).catch(() => undefined);
    if (!note) return;
    const { clock, setBackMs } = clockFrom(reading(), readInput(keptClockSchema, note.value, 'clock'));
    this.clock.set(clock);
    if (setBackMs > 0) this.setBack$.next(setBackMs);
  }

  private keep(): void {
    const { watch, db } = this.storage;
    const value = keptOf(this.clock());
    // What goes wrong is told by the watch; the clock runs on.
    watch.write(() => db.notes.put({ key: 'clock', value })).catch(() => undefined);
  }
}
