import { computed, inject, Injectable } from '@angular/core';
import { toObservable } from '@angular/core/rxjs-interop';
import { combineLatest } from 'rxjs';
import type { StorageTrouble } from '../data/storage-watch';
import { handOver } from '../ui/hand-over';
import { CardShelf } from './card-shelf';
import { Messages, type MessageAction } from './messages.service';
import { PlanStore } from './plan-store';
import { Storage } from './storage.service';
import { StudioStore } from './studio-store';

const SAYS: { readonly [F in StorageTrouble['fault']]: (cause: string) => readonly [string, string] } = {
  silent: () => [
    'This browser’s storage does not answer.',
    'Work goes on in this tab, and is kept as soon as it does.',
  ],
  full: () => [
    'The disk is full: the last changes are in this tab only.',
    'Save them as a file or make room. It is tried again every few seconds.',
  ],
  blocked: () => [
    'This browser does not let Kettle Drift keep anything.',
    'Work goes on in this tab only: save cards as files before you close it.',
  ],
  emptied: () => [
    'This browser’s storage was emptied while you worked.',
    'The card on the table is still in this tab and is being kept again; what else was here is gone. A backup can be restored in Safekeeping.',
  ],
  failing: (cause) => [
    'The browser’s storage has failed: the last changes are in this tab only.',
    `It is tried again every few seconds. ${cause === '' ? '' : `It says: ${cause.slice(0, 60)}.`}`,
  ],
};

/** Tells what is wrong with the browser's storage, and hands over what is in this tab alone. */
@Injectable({ providedIn: 'root' })
export class StorageEvents {
  private readonly messages = inject(Messages);
  private readonly shelf = inject(CardShelf);
  private readonly store = inject(PlanStore);
  private readonly storage = inject(Storage);
  private readonly studio = inject(StudioStore);

  /** What is wrong, as it was last said; it holds until all is kept again, whatever succeeds in between. */
  private inForce: StorageTrouble['fault'] | null = null;
  /** Nothing is in this tab alone, and nothing is on its way: one write that succeeds does not speak for those behind it. */
  private readonly allKept = computed(
    () =>
      this.store.unkept().length === 0 &&
      (this.store.open()?.kept ?? 'kept') === 'kept' &&
      this.studio.allKept(),
  );

  constructor() {
    combineLatest([this.storage.watch.trouble$, toObservable(this.allKept)]).subscribe(([trouble]) => {
      if (trouble) this.tell(trouble);
      // Asked at this moment: what is observed of it may be a moment old.
      else if (this.allKept()) this.over();
    });
  }

  private tell({ fault, cause }: StorageTrouble): void {
    if (fault === this.inForce) return;
    this.withdraw();
    this.inForce = fault;
    this.messages.trouble(...SAYS[fault](cause), this.save());
  }

  private over(): void {
    if (this.inForce === null) return;
    // That the storage was emptied stays so.
    if (this.inForce !== 'emptied') {
      this.withdraw();
      this.messages.say('The storage answers again, and all is kept.');
    }
    this.inForce = null;
  }

  private withdraw(): void {
    if (this.inForce) this.messages.withdraw(SAYS[this.inForce]('')[0]);
  }

  private save(): MessageAction {
    return { label: 'Save as a file', run: () => this.handOver() };
  }

  /** Hands over what is in this tab alone; where that is nothing, the card on the table. */
  private async handOver(): Promise<void> {
    const open = this.store.plan();
    const unkept = this.store.unkept();
    const plans = unkept.length > 0 ? unkept : open ? [open] : [];
    if (plans.length === 1) {
      handOver(await this.shelf.fileOf(plans[0]), `${plans[0].title}.kettle`, 'application/zip');
      return;
    }
    const { writeBackup } = await import('@kettle/core/files/formats');
    const bytes = writeBackup({
      madeAt: new Date().toISOString(),
      studio: this.studio.studio(),
      cards: plans.map((plan) => ({ id: plan.id, plan, attachments: {} })),
    });
    handOver(bytes, 'What was not kept.kettle-backup', 'application/zip');
  }
}
