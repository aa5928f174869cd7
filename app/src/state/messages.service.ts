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

/** So many grave messages wait their turn; the same one never twice. */
const MOST_WAITING = 5;

/** The one line in which the app speaks up: what happened, what is safe, what to do. A grave one stays until it is read. */
@Injectable({ providedIn: 'root' })
export class Messages {
  private readonly waiting = signal<readonly Message[]>([]);
  readonly current = computed((): Message | null => this.waiting().at(0) ?? null);

  say(what: string, advice = '', ...actions: MessageAction[]): void {
    const graves = this.waiting().filter(({ severity }) => severity === 'stop');
    this.waiting.set([...graves, { severity: 'info', what, advice, actions }]);
  }

  stop(what: string, advice: string, ...actions: MessageAction[]): void {
    const others = this.waiting().filter((message) => message.what !== what && message.severity === 'stop');
    this.waiting.set(
      [{ severity: 'stop', what, advice, actions } as const, ...others].slice(0, MOST_WAITING),
    );
  }

  /** The message on show has been read. */
  clear(): void {
    this.waiting.update((waiting) => waiting.slice(1));
  }

  /** What a message told of is so no longer. */
  withdraw(what: string): void {
    this.waiting.update((waiting) => waiting.filter((message) => message.what !== what));
  }
}
