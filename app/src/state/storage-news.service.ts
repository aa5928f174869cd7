import { inject, Injectable } from '@angular/core';
import { distinctUntilChanged, map, pairwise, startWith } from 'rxjs';
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
    `The last changes could not be kept: ${cause.slice(0, 60)}.`,
    'They are in this tab only. It is tried again every few seconds.',
  ],
};

/** Tells what is wrong with the browser's storage, and hands over what is in this tab alone. */
@Injectable({ providedIn: 'root' })
export class StorageNews {
  private readonly messages = inject(Messages);
  private readonly shelf = inject(CardShelf);
  private readonly store = inject(PlanStore);
  private readonly storage = inject(Storage);
  private readonly studio = inject(StudioStore);

  /** From now on what is wrong is said. */
  watch(): void {
    this.storage.watch.trouble$
      .pipe(
        map((trouble) => trouble && SAYS[trouble.fault](trouble.cause)),
        distinctUntilChanged((one, other) => one?.[0] === other?.[0]),
        startWith(null),
        pairwise(),
      )
      .subscribe(([before, now]) => {
        if (before && before[0] !== SAYS.emptied('')[0]) this.messages.withdraw(before[0]);
        if (now) this.messages.stop(...now, this.save());
        else if (before) this.messages.say('The storage answers again, and all is kept.');
      });
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
    const { writeBackup } = await import('@kettle/core/formats');
    const bytes = writeBackup({
      madeAt: new Date().toISOString(),
      studio: this.studio.studio(),
      cards: plans.map((plan) => ({ id: plan.id, plan, attachments: {} })),
    });
    handOver(bytes, 'What was not kept.kettle-backup', 'application/zip');
  }
}
