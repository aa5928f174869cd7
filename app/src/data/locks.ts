/** A lock this tab has; it is let go by the browser itself when the tab is gone. */
export interface HeldLock {
  readonly release: () => void;
}

/** Locks that all tabs of a browser share. */
export interface Locks {
  /** The lock if no other tab has it, else `null`. */
  take(name: string): Promise<HeldLock | null>;
  /** Waits until the lock is free; `null` when the signal ended the wait. */
  whenFree(name: string, signal: AbortSignal): Promise<HeldLock | null>;
  /** Names that some tab has. */
  taken(): Promise<ReadonlySet<string>>;
}

/** Takes several locks, all or none; tells the first that another tab has. */
export async function takeAll(
  locks: Locks,
  names: readonly string[],
): Promise<HeldLock | { readonly takenBy: string }> {
  const held: HeldLock[] = [];
  const release = (): void => held.forEach((lock) => lock.release());
  for (const name of names) {
    const lock = await locks.take(name);
    if (!lock) {
      release();
      return { takenBy: name };
    }
    held.push(lock);
  }
  return { release };
}

/** Locks of the browser (Web Locks). */
export class BrowserLocks implements Locks {
  take(name: string): Promise<HeldLock | null> {
    return this.request(name, { ifAvailable: true });
  }

  async whenFree(name: string, signal: AbortSignal): Promise<HeldLock | null> {
    try {
      return await this.request(name, { signal });
    } catch (cause) {
      if (signal.aborted) return null;
      throw cause;
    }
  }

  async taken(): Promise<ReadonlySet<string>> {
    const { held } = await navigator.locks.query();
    return new Set(held?.flatMap(({ name }) => name ?? []));
  }

  private request(name: string, options: LockOptions): Promise<HeldLock | null> {
    return new Promise((resolve, reject) => {
      navigator.locks
        .request(name, options, (lock) => {
          if (lock === null) {
            resolve(null);
            return;
          }
          return new Promise<void>((release) => resolve({ release }));
        })
        .catch(reject);
    });
  }
}

export const cardLock = (planId: string): string => `kettle-plan ${planId}`;
export const tabLock = (tab: string): string => `kettle-tab ${tab}`;
