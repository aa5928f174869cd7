import { signal } from '@angular/core';
import type { Observable, Subscription } from 'rxjs';

/** Words on the way to an answer, as a worker’s job tells them. */
type Told<Answer> = { readonly share: number } | { readonly answer: Answer };

/** Something looked for at a press, which takes a while and may be stopped. */
export class Search {
  private readonly done = signal<number | null>(null);
  private under: Subscription | null = null;
  /** Share done, 0…1; `null` while nothing is looked for. */
  readonly share = this.done.asReadonly();

  /** Looks for one thing; what was looked for before is given up. `null` when it was stopped. Rejects as the work fails. */
  find<Answer>(told: Observable<Told<Answer>>): Promise<Answer | null> {
    this.stop();
    this.done.set(0);
    return new Promise((resolve, reject) => {
      const under = told.subscribe({
        next: (word) => {
          if ('answer' in word) resolve(word.answer);
          else this.done.set(word.share);
        },
        error: reject,
      });
      under.add(() => {
        if (this.under === under) this.done.set(null);
        // Where the answer has come, this is heard no more.
        resolve(null);
      });
      this.under = under.closed ? null : under;
      if (under.closed) this.done.set(null);
    });
  }

  stop(): void {
    this.under?.unsubscribe();
    this.under = null;
  }
}
