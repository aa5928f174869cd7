import { computed, Injectable, signal } from '@angular/core';

/** A press that a message offers. */
export interface MessageAction {
  readonly label: string;
  readonly run: () => unknown;
}

export interface Message {
  readonly severity: 'info' | 'stop';
  /** What happened. */
  readonly what: string;
  /** What is safe, and what to do. */
  readonly advice: string;
  readonly actions: readonly MessageAction[];
}

/** So many troubles are kept, the latest first. */
const MOST_TROUBLES = 5;

/**
 * The one line in which the app speaks up: what happened, what is safe, what to do. What a press came to makes room for the
 * next; a trouble stays until it is read or over, and comes back when what stood above it has been read.
 */
@Injectable({ providedIn: 'root' })
export class Messages {
  private readonly passing = signal<Message | null>(null);
  private readonly troubles = signal<readonly Message[]>([]);
  readonly current = computed((): Message | null => this.passing() ?? this.troubles().at(0) ?? null);

  say(what: string, advice = '', ...actions: MessageAction[]): void {
    this.passing.set({ severity: 'info', what, advice, actions });
  }

  /** Something was refused. */
  stop(what: string, advice: string, ...actions: MessageAction[]): void {
    this.passing.set({ severity: 'stop', what, advice, actions });
  }

  /** Something is wrong that must not be overlooked. */
  trouble(what: string, advice: string, ...actions: MessageAction[]): void {
    this.passing.set(null);
    this.withdraw(what);
    this.troubles.update((others) =>
      [{ severity: 'stop', what, advice, actions } as const, ...others].slice(0, MOST_TROUBLES),
    );
  }

  /** The message on show has been read. */
  clear(): void {
    if (this.passing()) this.passing.set(null);
    else this.troubles.update((others) => others.slice(1));
  }

  /** What a message told of is so no longer. */
  withdraw(what: string): void {
    if (this.passing()?.what === what) this.passing.set(null);
    this.troubles.update((others) => others.filter((message) => message.what !== what));
  }
}
