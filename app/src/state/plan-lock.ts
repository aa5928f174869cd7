const lockName = (planId: string): string => `kettle-plan ${planId}`;

/** One tab owns a card and writes it; others read. Held until released or the tab is gone (Web Locks). */
export class PlanLock {
  private letGo: (() => void) | null = null;
  private waiting: AbortController | null = null;

  /** Takes the card if no other tab has it. */
  take(planId: string): Promise<boolean> {
    this.release();
    return new Promise((resolve, reject) => {
      navigator.locks
        .request(lockName(planId), { ifAvailable: true }, (lock) => {
          resolve(lock !== null);
          return lock === null ? undefined : this.hold();
        })
        .catch(reject);
    });
  }

  /** Calls back once the other tab has let the card go, and holds it from then on. */
  whenFree(planId: string, then: () => void): void {
    const waiting = new AbortController();
    this.waiting = waiting;
    navigator.locks
      .request(lockName(planId), { signal: waiting.signal }, () => {
        then();
        return this.hold();
      })
      .catch((cause: unknown) => {
        if (!waiting.signal.aborted) throw cause;
      });
  }

  release(): void {
    this.waiting?.abort();
    this.waiting = null;
    this.letGo?.();
    this.letGo = null;
  }

  private hold(): Promise<void> {
    return new Promise((resolve) => {
      this.letGo = resolve;
    });
  }
}
