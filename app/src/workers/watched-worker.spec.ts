import { expose } from 'comlink';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { GIVEN_UP_AFTER_MS, SLOW_AFTER_MS, WatchedWorker, WorkerFault } from './watched-worker';

interface Api {
  double(n: number): Promise<number>;
  count(told: (n: number) => void): Promise<number>;
}

/** A worker as a channel with a hand on the other end. */
class HandWorker extends EventTarget {
  terminated = false;
  private readonly channel = new MessageChannel();

  constructor(serves: object | null) {
    super();
    if (serves) expose(serves, this.channel.port2);
    this.channel.port1.start();
  }
  postMessage(message: unknown, transfer: Transferable[] = []): void {
    this.channel.port1.postMessage(message, transfer);
  }
  override addEventListener(type: string, listener: EventListener): void {
    if (type === 'message') this.channel.port1.addEventListener(type, listener);
    else super.addEventListener(type, listener);
  }
  override removeEventListener(type: string, listener: EventListener): void {
    if (type === 'message') this.channel.port1.removeEventListener(type, listener);
    else super.removeEventListener(type, listener);
  }
  dies(message: string): void {
    this.dispatchEvent(Object.assign(new Event('error', { cancelable: true }), { message }));
  }
  terminate(): void {
    this.terminated = true;
    this.channel.port1.close();
    this.channel.port2.close();
  }
}

const doubles = { double: (n: number) => 2 * n };
const never = { double: () => new Promise(() => undefined) };

let begun: HandWorker[];
/** A watched worker that is begun with each of these in turn; `null` hears nothing at all. */
function watched(serves: readonly (object | null)[]) {
  begun = [];
  const news: string[] = [];
  const worker = new WatchedWorker<Api>(
    () => {
      const next = new HandWorker(serves[Math.min(begun.length, serves.length - 1)]);
      begun.push(next);
      return next as unknown as Worker;
    },
    (isSlow) => news.push(isSlow ? 'slow' : 'quick'),
    () => news.push('renewed'),
  );
  return { worker, news };
}

/** Lets so much time pass, and messages go to and fro. */
async function pass(ms: number): Promise<void> {
  for (let passed = 0; passed < ms; passed += 500) {
    vi.advanceTimersByTime(500);
    await new Promise((resolve) => setImmediate(resolve));
  }
}

beforeEach(() => {
  vi.useFakeTimers({ toFake: ['setInterval', 'clearInterval', 'performance'] });
});
afterEach(() => {
  for (const worker of begun) worker.terminate();
  vi.useRealTimers();
});

describe('a worker that is watched', () => {
  it('answers, and is begun once', async () => {
    const { worker, news } = watched([doubles]);
    expect(
      await Promise.all([worker.ask((api) => api.double(2)), worker.ask((api) => api.double(3))]),
    ).toEqual([4, 6]);
    expect([begun.length, news]).toEqual([1, []]);
  });

  it('that throws hands the fault on, and stays', async () => {
    const { worker } = watched([
      {
        double: () => {
          throw new RangeError('no such number');
        },
      },
    ]);
    await expect(worker.ask((api) => api.double(1))).rejects.toThrow('no such number');
    expect(begun.length).toBe(1);
  });

  it('that dies is begun anew, and what it left open is asked again', async () => {
    const { worker, news } = watched([never, doubles]);
    const answer = worker.ask((api) => api.double(4));
    await pass(500);
    begun[0].dies('out of memory');
    expect(await answer).toBe(8);
    expect([begun.length, begun[0].terminated, news]).toEqual([2, true, ['renewed']]);
  });

  it('that dies every time, or never comes, fails in words', async () => {
    const { worker } = watched([null]);
    const answer = worker.ask((api) => api.double(4));
    const told = expect(answer).rejects.toThrow('a part of the program stopped working (it did not come)');
    begun[0].dies('');
    await pass(500);
    begun[1].dies('');
    await told;
    expect(begun.length).toBe(2);
  });

  it('that hangs is said to be slow within three seconds, and at last is begun anew', async () => {
    const { worker, news } = watched([null, doubles]);
    const answer = worker.ask((api) => api.double(5));
    await pass(SLOW_AFTER_MS + 500);
    expect(news).toEqual(['slow']);
    await pass(GIVEN_UP_AFTER_MS);
    expect(await answer).toBe(10);
    expect(news).toEqual(['slow', 'quick', 'renewed']);
  });

  it('that hangs again fails in words', async () => {
    const { worker } = watched([null]);
    const told = expect(worker.ask((api) => api.double(5))).rejects.toThrow(WorkerFault);
    await pass(2 * GIVEN_UP_AFTER_MS + 1000);
    await told;
  });

  it('that tells how far it is is not given up, however long it takes', async () => {
    let told: (n: number) => void = () => undefined;
    const { worker, news } = watched([never]);
    void worker.ask((api, sign) => {
      told = sign(() => undefined);
      return api.double(1);
    });
    for (let n = 0; n < 50; n++) {
      await pass(SLOW_AFTER_MS - 500);
      told(n);
    }
    expect([begun.length, news]).toEqual([1, []]);
  });

  it('is not asked twice for what must not be done twice', async () => {
    const { worker } = watched([never, doubles]);
    const told = expect(worker.ask((api) => api.double(5), { again: false })).rejects.toThrow(WorkerFault);
    await pass(500);
    begun[0].dies('gone');
    await told;
    expect(await worker.ask((api) => api.double(1))).toBe(2);
  });
});
