import type { Work } from '@kettle/core/units';

export type OnProgress = (share: number) => void;

/** Long work in a worker: it tells how far it is and stops when its job is cancelled. */
export interface Watching {
  /** Does the work; `null` when the job was cancelled, before it began or in the middle. */
  readonly work: <Answer>(job: number, work: Work<Answer>, onProgress: OnProgress) => Promise<Answer | null>;
  readonly cancel: (job: number) => void;
}

/** Lets waiting messages in, a cancel among them. A zero timeout would be held back to 4 ms. */
export function breathe(): Promise<void> {
  return new Promise((resolve) => {
    const channel = new MessageChannel();
    channel.port1.onmessage = () => {
      channel.port1.close();
      resolve();
    };
    channel.port2.postMessage(null);
  });
}

/** Jobs of one worker and which of them were cancelled. */
export function watching(): Watching {
  const cancelled = new Set<number>();
  return {
    work: async (job, work, onProgress) => {
      for (let step = work.next(); ; step = work.next()) {
        if (step.done) return step.value;
        onProgress(step.value);
        await breathe();
        if (cancelled.delete(job)) return null;
      }
    },
    cancel: (job) => {
      cancelled.add(job);
    },
  };
}
