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

/** So many messages that stay are kept, the latest first. */
const MOST_KEPT = 5;

/**
 * The one line in which the app speaks up: what happened, what is safe, what to do. What a press came to makes room for the
 * next; a trouble, or an offer that would be lost, stays until it is read or over, and comes back when what stood above it has
 * been read.
 */
@Injectable({ providedIn: 'root' })
export class Messages {
  private readonly passing = signal<Message | null>(null);
  private readonly staying = signal<readonly Message[]>([]);
  readonly current = computed((): Message | null => this.passing() ?? this.staying().at(0) ?? null);

  say(what: string, advice = '', ...actions: MessageAction[]): void {
    this.passing.set({ severity: 'info', what, advice, actions });
  }

  /** Something was refused. */
  stop(what: string, advice: string, ...actions: MessageAction[]): void {
    this.passing.set({ severity: 'stop', what, advice, actions });
  }

  /** Something is wrong that must not be overlooked. */
  trouble(what: string, advice: string, ...actions: MessageAction[]): void {
    this.stay({ severity: 'stop', what, advice, actions });
  }

  /** Something of the painter's own is offered, and must not be lost to the next message. */
  offer(what: string, advice: string, ...actions: MessageAction[]): void {
    this.stay({ severity: 'info', what, advice, actions });
  }

  /** The message on show has been read. */
  clear(): void {
    if (this.passing()) this.passing.set(null);
    else this.staying.update((others) => others.slice(1));
  }

  /** What a message told of is so no longer. */
  withdraw(what: string): void {
    if (this.passing()?.what === what) this.passing.set(null);
    this.staying.update((others) => others.filter((message) => message.what !== what));
  }

  private stay(message: Message): void {
    this.passing.set(null);
    this.withdraw(message.what);
    this.staying.update((others) => [message, ...others].slice(0, MOST_KEPT));
  }
}
