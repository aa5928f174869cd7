import { computed, inject, Injectable, signal } from '@angular/core';
import { PlanStore } from '../../../state/plan-store';
import type { SheetPlace } from '../../../workers/sheet-jobs';
import { BOARD, toolById, type HeldInHand, type Load } from './painting.view';

/** What the hand holds at the painting table. */
@Injectable({ providedIn: 'root' })
export class HandService {
  private readonly store = inject(PlanStore);
  /** A tool’s id, or the board itself. */
  readonly tool = signal('round-8');
  readonly load = signal<Load>('loaded');
  readonly dips = signal(true);
  readonly loose = signal(false);
  readonly through = signal<string | null>(null);
  /** The next touch points at what went wrong, so large, and does nothing. */
  readonly pointing = signal(false);
  readonly pointsMm = signal(7);
  readonly pointed = signal<SheetPlace | null>(null);
  /** `undefined` until a mix is chosen: then it is the card’s first. */
  private readonly chosen = signal<string | null | undefined>(undefined);

  readonly mix = computed(() => {
    const [mixes, chosen] = [this.store.plan()?.mixes ?? [], this.chosen()];
    return chosen === null ? null : (mixes.find(({ id }) => id === chosen) ?? mixes.at(0) ?? null);
  });
  readonly holdsBoard = computed(() => this.tool() === BOARD);
  readonly held = computed((): HeldInHand => ({
    tool: toolById(this.holdsBoard() ? 'round-8' : this.tool()),
    ...{ load: this.load(), dips: this.dips(), loose: this.loose() },
    ...{ mix: this.mix(), through: this.through() },
  }));

  /** Points at a place of the sheet, mm from its corner. */
  point(at: readonly [number, number]): void {
    this.pointing.set(false);
    this.pointed.set({ at, radiusMm: this.pointsMm() });
  }

  takeMix(mix: string | null): void {
    this.chosen.set(mix);
  }
}
