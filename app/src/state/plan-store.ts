import { inject, Injectable } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { Router } from '@angular/router';
import { liveQuery } from 'dexie';
import { from, map, Subject } from 'rxjs';
import type { Command } from '@kettle/core/document/plan';
import { BadInput } from '@kettle/core/kit/units';
import { WorkTable, type WorkTableEvent } from '../data/work-table';
import { Messages } from './messages.service';
import { Storage } from './storage.service';

export type { OpenPlan } from '../data/work-table';

const STROKE_KEPT = ['A stroke that was not finished has been kept.', 'Undo takes it away.'] as const;

/** The card on the table as the screens see it: the only way to change a plan. */
@Injectable({ providedIn: 'root' })
export class PlanStore {
  private readonly messages = inject(Messages);
  private readonly router = inject(Router);
  private readonly storage = inject(Storage);
  private readonly table = new WorkTable({
    ...{ archive: this.storage.archive, locks: this.storage.locks, watch: this.storage.watch },
    follow: (id) => from(liveQuery(() => this.storage.archive.read(id))),
    tell: (news) => this.hear(news),
  });

  readonly open = toSignal(this.table.open$, { requireSync: true });
  readonly plan = toSignal(this.table.open$.pipe(map((open) => open?.plan ?? null)), { requireSync: true });
  /** Cards that are in this tab alone, since they could not be kept. */
  readonly unkept = toSignal(this.table.unkept$, { requireSync: true });
  /** A change was refused: what the screen shows of it is not so. */
  readonly refused$ = new Subject<void>();

  constructor() {
    document.addEventListener('visibilitychange', () => {
      if (document.visibilityState === 'hidden') this.table.saveWhole();
    });
    window.addEventListener('beforeunload', (event) => {
      if (this.unkept().length > 0) event.preventDefault();
    });
  }

  /** Puts a card on the table. Throws `BadInput` where there is none, or it cannot be read. */
  openPlan(id: string): Promise<void> {
    return this.table.open(id);
  }

  close(): Promise<void> {
    return this.table.close();
  }

  /** Takes in a card that could not be kept, to be worked on in this tab. */
  park(plan: Parameters<WorkTable['park']>[0]): Promise<void> {
    return this.table.park(plan);
  }

  /** Carries commands out as one step that can be undone. Refuses what no plan can hold, with the field named. */
  do(...commands: Command[]): void {
    this.change(() => this.table.do(commands));
  }

  undo(): void {
    this.change(() => this.table.undo());
  }

  redo(): void {
    this.change(() => this.table.redo());
  }

  /** All written so far is on disk when this resolves. */
  settled(): Promise<void> {
    return this.table.settled();
  }

  private change(step: () => boolean): void {
    try {
      if (step()) return;
      this.messages.stop(
        'This card is open in another tab.',
        'Nothing was changed. Close the other tab to go on here.',
      );
    } catch (cause) {
      if (!(cause instanceof BadInput)) throw cause;
      this.messages.stop(cause.message, 'Nothing was changed.');
    }
    this.refused$.next();
  }

  private hear(news: WorkTableEvent): void {
    switch (news.what) {
      case 'read-only':
        this.messages.say(
          'This card is open in another tab.',
          'Here it can be read; close the other tab to go on with it here.',
        );
        break;
      case 'taken-over':
        this.messages.withdraw('This card is open in another tab.');
        this.messages.say(
          'The other tab has let this card go.',
          `You can go on with it here. ${news.strokes > 0 ? STROKE_KEPT.join(' ') : ''}`.trim(),
        );
        break;
      case 'strokes-recovered':
        this.messages.say(...STROKE_KEPT);
        break;
      case 'gone':
        this.messages.trouble(
          `“${news.title}” was thrown away in another tab.`,
          'It lies in the bin for 30 days: see Safekeeping.',
        );
        void this.router.navigate(['/rack']);
        break;
      case 'unreadable':
        this.messages.trouble(
          `The card can no longer be read here: ${news.fault}.`,
          'It stays as it is: see Safekeeping.',
        );
        void this.router.navigate(['/rack']);
    }
  }
}
