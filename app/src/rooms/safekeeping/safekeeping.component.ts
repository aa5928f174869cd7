import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { RouterLink } from '@angular/router';
import { Button } from 'primeng/button';
import type { BinnedCard } from '../../data/safekeeping';
import { Renewal } from '../../state/renewal.service';
import { SafekeepingService } from '../../state/safekeeping.service';
import {
  backupInWords,
  binnedInWords,
  lostInWords,
  restoredInWords,
  snapshotInWords,
} from './safekeeping.view';

/** Backups, the bin, earlier states, and the mending of cards that cannot be read. */
@Component({
  selector: 'kd-safekeeping',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Button, RouterLink],
  templateUrl: './safekeeping.component.html',
  styleUrl: './safekeeping.component.scss',
})
export class SafekeepingRoom {
  readonly keeping = inject(SafekeepingService);
  readonly readyOffline = inject(Renewal).readyOffline;
  private readonly nowMs = Date.now();
  /** The card about to be deleted for good, while the painter is asked. */
  readonly deleting = signal<BinnedCard | null>(null);
  readonly backup = computed(() => backupInWords(this.keeping.backedUpMs(), this.nowMs));
  readonly restored = computed(() => {
    const restored = this.keeping.restored();
    return restored ? restoredInWords(restored) : [];
  });
  readonly bin = computed(() =>
    this.keeping.binned().map((card) => ({ card, says: binnedInWords(card, this.nowMs) })),
  );
  readonly lost = lostInWords;
  readonly snapshots = computed(() =>
    this.keeping.snapshots().map((snapshot) => ({ snapshot, says: snapshotInWords(snapshot) })),
  );

  constructor() {
    void this.keeping.refresh();
  }

  async restore(input: HTMLInputElement): Promise<void> {
    const file = input.files?.[0];
    input.value = '';
    if (file) await this.keeping.restore(file);
  }

  async deleteForGood(card: BinnedCard): Promise<void> {
    this.deleting.set(null);
    await this.keeping.deleteForGood(card.id);
  }
}
