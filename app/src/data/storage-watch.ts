import { Dexie } from 'dexie';
import { BehaviorSubject } from 'rxjs';

/** What is wrong with the browser's storage. */
export type StorageFault = 'silent' | 'full' | 'blocked' | 'emptied' | 'failing';

export interface StorageTrouble {
  readonly fault: StorageFault;
  /** What the browser itself said, if anything. */
  readonly cause: string;
}

/** Storage that has not answered for so long is said to be silent, ms. */
const SILENT_MS = 900;
/** What was asked of it is given up after so long, ms. */
const PATIENCE_MS = 4000;

/** The storage did not answer in time; what was asked of it may still happen. */
export class StorageSilent extends Error {
  override readonly name = 'StorageSilent';
  constructor() {
    super('the browser’s storage does not answer');
  }
}

/** Watches over what is asked of the browser's storage: whether it answers, and what it says if it does not do it. */
export class StorageWatch {
  /** What is wrong now; `null` while all is well. */
  readonly trouble$ = new BehaviorSubject<StorageTrouble | null>(null);
  private readonly told = new WeakSet<object>();

  /** Whether an error was met here, and told as a trouble. */
  hasTold(cause: unknown): boolean {
    return typeof cause === 'object' && cause !== null && this.told.has(cause);
  }

  /** Asks the storage for something. Rejects as it does, or with `StorageSilent` when it does not answer. */
  read<T>(question: () => PromiseLike<T>): Promise<T> {
    return this.ask(question, ({ fault }) => fault === 'silent' || fault === 'blocked');
  }

  /** The same for what is to be kept: when that goes well, there is nothing wrong any more. */
  write<T>(question: () => PromiseLike<T>): Promise<T> {
    return this.ask(question, () => true);
  }

  private async ask<T>(
    question: () => PromiseLike<T>,
    mends: (trouble: StorageTrouble) => boolean,
  ): Promise<T> {
    const silent = setTimeout(() => this.trouble({ fault: 'silent', cause: '' }), SILENT_MS);
    let giveUp: ReturnType<typeof setTimeout> | undefined;
    try {
      const answer = await Promise.race([
        question(),
        new Promise<never>((_, reject) => {
          giveUp = setTimeout(() => reject(new StorageSilent()), PATIENCE_MS);
        }),
      ]);
      const trouble = this.trouble$.value;
      if (trouble && mends(trouble)) this.trouble$.next(null);
      return answer;
    } catch (cause) {
      const fault = faultOf(cause);
      if (fault) {
        this.told.add(cause as object);
        this.trouble({ fault, cause: cause instanceof Error ? cause.message : String(cause) });
      }
      throw cause;
    } finally {
      clearTimeout(silent);
      clearTimeout(giveUp);
    }
  }

  private trouble(trouble: StorageTrouble): void {
    if (trouble.fault !== this.trouble$.value?.fault) this.trouble$.next(trouble);
  }
}

/** What of the storage an error tells of; `null` for one that is not the storage's own. */
export function faultOf(cause: unknown): StorageFault | null {
  if (!(cause instanceof Error || cause instanceof DOMException)) return null;
  const { inner, failures } = cause as { inner?: unknown; failures?: readonly unknown[] };
  const said = [cause, inner, ...(failures ?? [])]
    .map((one) => (one instanceof Error || one instanceof DOMException ? `${one.name} ${one.message}` : ''))
    .join(' ');
  if (/quota/i.test(said)) return 'full';
  if (cause.name === 'StorageSilent') return 'silent';
  if (cause.name === 'CardGone') return 'emptied';
  if (/OpenFailed|MissingAPI|SecurityError|NotAllowedError|VersionError/.test(said)) return 'blocked';
  return cause instanceof Dexie.DexieError || cause instanceof DOMException ? 'failing' : null;
}
