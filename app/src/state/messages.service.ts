import { Injectable, signal } from '@angular/core';

export interface Message {
  readonly severity: 'info' | 'stop';
  /** What happened. */
  readonly what: string;
  /** What is safe, and what to do. */
  readonly advice: string;
}

/** The one line in which the app speaks up: what happened, what is safe, what to do. */
@Injectable({ providedIn: 'root' })
export class Messages {
  readonly current = signal<Message | null>(null);

  say(what: string, advice = ''): void {
    this.current.set({ severity: 'info', what, advice });
  }

  stop(what: string, advice: string): void {
    this.current.set({ severity: 'stop', what, advice });
  }

  /** A write to the browser's database failed; what is on the table is still whole. */
  notSaved(cause: unknown): void {
    const full = cause instanceof Error && /quota/i.test(`${cause.name} ${cause.message}`);
    this.stop(
      full
        ? 'The disk is full: the last change could not be saved.'
        : `The last change could not be saved: ${String(cause)}.`,
      'Nothing is lost while this tab stays open. Save the card as a .kettle file, then make room.',
    );
  }

  clear(): void {
    this.current.set(null);
  }
}
