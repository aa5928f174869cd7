import { computed, inject, Injectable, signal } from '@angular/core';
import { toObservable } from '@angular/core/rxjs-interop';
import {
  loadFont,
  settingsOf,
  type FontId,
  type LetterFont,
  type Words,
} from '@kettle/core/drawing/lettering';
import { Messages } from './messages.service';
import { PlanStore } from './plan-store';

/** The words of the open card as they stand on its panel; their fonts are fetched when they are first wanted. */
@Injectable({ providedIn: 'root' })
export class LetteringService {
  private readonly messages = inject(Messages);
  private readonly store = inject(PlanStore);
  private readonly words = computed(() => this.store.plan()?.words ?? NONE);
  private readonly fonts = signal<ReadonlyMap<FontId, LetterFont>>(new Map());

  /** By the id of the words; those whose font is still on its way are not there yet. */
  readonly settings = computed(() => settingsOf(this.words(), this.fonts()));

  constructor() {
    toObservable(this.words).subscribe((words) => {
      for (const { font } of words) if (!this.fonts().has(font)) this.fetch(font);
    });
  }

  private fetch(id: FontId): void {
    loadFont(id).then(
      (font) => this.fonts.update((fonts) => new Map(fonts).set(id, font)),
      (cause: unknown) =>
        this.messages.stop(
          `The letters could not be loaded: ${String(cause)}.`,
          'The card is safe. Load the page again.',
        ),
    );
  }
}

const NONE: readonly Words[] = [];
