import { wrap, type Remote } from 'comlink';
import { BadInput } from '@kettle/core/kit/units';

/** A worker that gives no sign for so long is said to be slow, ms. */
export const SLOW_AFTER_MS = 1500;
/** One that gives none for so long is given up and another is started, ms: the longest single step of any question is far shorter. */
export const GIVEN_UP_AFTER_MS = 60_000;
/** How often it is looked at, ms. */
const LOOKS_EVERY_MS = 250;

/** A worker could not do what it was asked, twice, for a reason of its own: it did not come, died, or gave no sign. */
export class WorkerFault extends Error {
  override readonly name = 'WorkerFault';
  constructor(
    readonly fault: 'died' | 'silent',
    said: string,
  ) {
    super(fault === 'died' ? `a part of the program stopped working (${said})` : 'it took too long');
  }
}

/** How a question is asked. */
export interface Asked {
  /** Whether it may be put a second time, to a worker begun anew; what changes something may not. */
  readonly again?: boolean;
}

/** Marks a function that is called from the worker: each call is a sign that it lives. */
export type Sign = <Args extends unknown[]>(told: (...args: Args) => void) => (...args: Args) => void;

interface Begun<Api> {
  readonly worker: Worker;
  readonly api: Remote<Api>;
  /** Questions that wait for their answer, by the way each is told that it will not come. */
  readonly open: Set<(fault: WorkerFault) => void>;
  readonly end: () => void;
  silentMs: number;
}

/**
 * A worker that is watched: started on the first question, told slow when it gives no sign, and begun anew when it dies, does not
 * come or stays silent. A question it left open is put once more; then it fails with `WorkerFault`.
 */
export class WatchedWorker<Api> {
  private begun: Begun<Api> | null = null;
  private isSlow = false;

  constructor(
    private readonly start: () => Worker,
    /** Told as the worker gives no sign, and as it does again. */
    private readonly slow: (isSlow: boolean) => void = () => undefined,
    /** Told after a worker was given up: what it held is gone. */
    private readonly renewed: () => void = () => undefined,
  ) {}

  /** Puts a question to the worker. Rejects as the answer does, or with `WorkerFault`. */
  async ask<T>(question: (api: Remote<Api>, sign: Sign) => Promise<T>, asked: Asked = {}): Promise<T> {
    try {
      return await this.put(question);
    } catch (cause) {
      if (!(cause instanceof WorkerFault) || asked.again === false) throw cause;
      return this.put(question);
    }
  }

  /** Tells the worker something that needs no answer; a worker that is not there needs not be told. */
  tell(said: (api: Remote<Api>) => Promise<unknown>): void {
    // What it could not hear any more has no hold on it either.
    if (this.begun) said(this.begun.api).catch(() => undefined);
  }

  private put<T>(question: (api: Remote<Api>, sign: Sign) => Promise<T>): Promise<T> {
    const begun = (this.begun ??= this.begin());
    if (begun.open.size === 0) begun.silentMs = 0;
    const sign: Sign =
      (told) =>
      (...args) => {
        this.signOf(begun);
        told(...args);
      };
    return new Promise<T>((resolve, reject) => {
      begun.open.add(reject);
      question(begun.api, sign)
        .finally(() => {
          begun.open.delete(reject);
          this.signOf(begun);
        })
        .then(resolve, (cause: unknown) => reject(asError(cause)));
    });
  }

  private begin(): Begun<Api> {
    const worker = this.start();
    let seenMs = performance.now();
    const looks = setInterval(() => {
      const nowMs = performance.now();
      // A tab that slept, or a page that was held up, says nothing of the worker.
      const sinceMs = Math.min(nowMs - seenMs, 2 * LOOKS_EVERY_MS);
      seenMs = nowMs;
      if (begun.open.size === 0) return;
      begun.silentMs += sinceMs;
      if (begun.silentMs >= GIVEN_UP_AFTER_MS) this.giveUp(begun, new WorkerFault('silent', ''));
      else if (begun.silentMs >= SLOW_AFTER_MS) this.setSlow(true);
    }, LOOKS_EVERY_MS);
    const begun: Begun<Api> = {
      ...{ worker, api: wrap<Api>(worker), open: new Set(), silentMs: 0 },
      end: () => {
        clearInterval(looks);
        worker.terminate();
      },
    };
    worker.addEventListener('error', (event) => {
      event.preventDefault();
      this.giveUp(begun, new WorkerFault('died', event.message || 'it did not come'));
    });
    return begun;
  }

  private signOf(begun: Begun<Api>): void {
    begun.silentMs = 0;
    if (this.begun === begun) this.setSlow(false);
  }

  private giveUp(begun: Begun<Api>, fault: WorkerFault): void {
    if (this.begun !== begun) return;
    this.begun = null;
    begun.end();
    this.setSlow(false);
    this.renewed();
    for (const fail of begun.open) fail(fault);
  }

  private setSlow(isSlow: boolean): void {
    if (this.isSlow === isSlow) return;
    this.isSlow = isSlow;
    this.slow(isSlow);
  }
}

/** An error comes from a worker without its class; a refusal is one again. */
function asError(cause: unknown): Error {
  if (!(cause instanceof Error)) return new Error(String(cause));
  if (cause.name !== 'BadInput' || cause instanceof BadInput) return cause;
  const [field, ...reason] = cause.message.split(': ');
  return new BadInput(field, reason.join(': '));
}
