import { releaseProxy } from 'comlink';
import { beforeEach, describe, expect, it } from 'vitest';
import { BadInput, type Work } from '@kettle/core/kit/units';
import { atOnce, jobHost, RANKS, type JobApi, type Rank, type Word } from './jobs';

/** Steps that each take some ms, as the heavy ones of a card do. */
function* steps(count: number, ms: number, each: () => void = () => undefined): Work<number> {
  for (let n = 0; n < count; n++) {
    const untilMs = performance.now() + ms;
    while (performance.now() < untilMs);
    each();
    yield n / count;
  }
  return count;
}

let done: string[];
let swept: number;
let host: JobApi;
const ran = (
  job: number,
  name: string,
  asked: unknown = null,
  rank: Rank = 'hand',
  words: Word<unknown>[] = [],
) => host.run({ job, name, asked, rank }, (word) => words.push(word));

beforeEach(() => {
  [done, swept] = [[], 0];
  host = jobHost({
    *count(to: number): Work<number> {
      return yield* steps(to, 2);
    },
    *named({ name, to }: { name: string; to: number }): Work<string> {
      yield* steps(to, 2);
      done.push(name);
      return name;
    },
    *swept(): Work<void> {
      try {
        yield* steps(10_000, 1);
      } finally {
        swept++;
      }
    },
    *found(_asked: null, tell: (place: string) => void): Work<number> {
      tell('sky');
      yield 0.5;
      tell('field');
      return 2;
    },
    *refuses(): Work<never> {
      yield 0.1;
      throw new BadInput('pieces', 'come to too many');
    },
    loads: async (ms: number) => {
      await new Promise((resolve) => setTimeout(resolve, ms));
      return atOnce(() => 'loaded');
    },
  });
});

describe('a worker’s jobs', () => {
  it('are answered, with shares that rise and what was found on the way', async () => {
    const words: Word<unknown>[] = [];
    expect(await ran(1, 'count', 20, 'hand', words)).toEqual({ answer: 20 });
    const shares = words.flatMap((word) => ('share' in word ? [word.share] : []));
    expect(shares.length).toBeGreaterThan(1);
    expect(shares).toEqual([...shares].sort((a, b) => a - b));
    const news: Word<unknown>[] = [];
    expect(await ran(2, 'found', null, 'hand', news)).toEqual({ answer: 2 });
    expect(news.filter((word) => 'news' in word)).toEqual([{ news: 'sky' }, { news: 'field' }]);
  });

  it('are done in the order of their rank, and of one rank as they came', async () => {
    const all = (['picture', 'ahead', 'picture', 'hand', 'ahead'] as const).map((rank, i) =>
      ran(i, 'named', { name: `${rank} ${i}`, to: 10 }, rank),
    );
    await Promise.all(all);
    expect(done).toEqual(['hand 3', 'ahead 1', 'ahead 4', 'picture 0', 'picture 2']);
    expect(RANKS).toEqual(['hand', 'ahead', 'picture']);
  });

  it('let the hand in between while one of a lower rank is under way', async () => {
    const long = ran(1, 'named', { name: 'picture', to: 100 }, 'picture');
    await new Promise((resolve) => setTimeout(resolve, 30));
    await ran(2, 'named', { name: 'hand', to: 2 }, 'hand');
    expect(done).toEqual(['hand']);
    expect(await long).toEqual({ answer: 'picture' });
  });

  it('stop within 20 ms of being cancelled, and are swept up after', async () => {
    const running = ran(1, 'swept');
    await new Promise((resolve) => setTimeout(resolve, 30));
    const fromMs = performance.now();
    host.cancel(1);
    expect(await running).toBeNull();
    expect(performance.now() - fromMs).toBeLessThan(20);
    expect(swept).toBe(1);
    expect(await ran(2, 'count', 1)).toEqual({ answer: 1 });
  });

  it('do not begin when they are cancelled while what they need is loaded', async () => {
    const loading = ran(1, 'loads', 20);
    host.cancel(1);
    expect(await loading).toBeNull();
  });

  it('fail with what they throw, and the others go on', async () => {
    const other = ran(2, 'count', 5, 'ahead');
    await expect(ran(1, 'refuses')).rejects.toThrow('pieces: come to too many');
    expect(await other).toEqual({ answer: 5 });
  });

  it('let go of whoever listened, once they are over, cancelled or failed', async () => {
    let released = 0;
    const heard = () =>
      Object.assign((): void => undefined, {
        [releaseProxy]: () => {
          released++;
        },
      });
    const order = (job: number, name: string, asked: unknown) => ({
      job,
      name,
      asked,
      rank: 'hand' as const,
    });
    await host.run(order(1, 'count', 3), heard());
    await expect(host.run(order(2, 'refuses', null), heard())).rejects.toThrow();
    const cancelled = host.run(order(3, 'loads', 5), heard());
    host.cancel(3);
    await cancelled;
    expect(released).toBe(3);
  });

  it('know nothing of a job that is over', async () => {
    await ran(1, 'count', 1);
    expect(() => host.cancel(1)).not.toThrow();
  });
});
