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

  clear(): void {
    this.current.set(null);
  }
}
