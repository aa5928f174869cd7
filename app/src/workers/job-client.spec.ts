import { describe, expect, it } from 'vitest';
import type { Work } from '@kettle/core/kit/units';
import { JobClient } from './job-client';
import { jobHost, type JobApi } from './jobs';
import { WorkerFault, type WatchedWorker } from './watched-worker';

const jobs = {
  *sum(numbers: readonly number[], tell: (part: number) => void): Work<number> {
    let sum = 0;
    for (const [i, n] of numbers.entries()) {
      sum += n;
      if (i % 1000 === 0) tell(sum);
      yield i / numbers.length;
    }
    return sum;
  },
  *refuses(): Work<number> {
    yield 0;
    throw new Error('too many');
  },
};

/** A worker in this very thread; one that dies has lost what it was asked so often. */
function workerThatDies(times: number) {
  const host = jobHost(jobs);
  const told: string[] = [];
  let left = times;
  const watched = {
    ask: async <T>(question: (api: JobApi, sign: <F>(f: F) => F) => Promise<T>): Promise<T> => {
      for (; left > 0; left--) {
        told.push('died');
        if (left === 1 && times > 1) throw new WorkerFault('died', 'twice');
      }
      return question(host, (f) => f);
    },
    tell: (said: (api: JobApi) => unknown) => {
      told.push('cancelled');
      said(host);
    },
  };
  return { told, client: new JobClient<typeof jobs>(watched as unknown as WatchedWorker<JobApi>) };
}

const numbers = Array.from({ length: 5000 }, (_, i) => i);

describe('a question to a worker', () => {
  it('is told of on the way, answered once, and over', async () => {
    const { client } = workerThatDies(0);
    const [parts, shares, answers] = [[] as number[], [] as number[], [] as number[]];
    await new Promise<void>((resolve, reject) =>
      client.job('sum', numbers).subscribe({
        next: (word) => {
          if ('news' in word) parts.push(word.news);
          else if ('answer' in word) answers.push(word.answer);
          else shares.push(word.share);
        },
        error: reject,
        complete: resolve,
      }),
    );
    expect(answers).toEqual([(4999 * 5000) / 2]);
    expect(parts).toHaveLength(5);
    expect(shares).toEqual([...shares].sort((a, b) => a - b));
  });

  it('asked for its answer alone, tells nothing else', async () => {
    const { client } = workerThatDies(0);
    const said: number[] = [];
    await new Promise<void>((resolve) =>
      client.answer('sum', [1, 2, 3]).subscribe({ next: (n) => said.push(n), complete: resolve }),
    );
    expect(said).toEqual([6]);
  });

  it('is cancelled when nobody listens any more, and only then', async () => {
    const { client, told } = workerThatDies(0);
    client.answer('sum', numbers).subscribe().unsubscribe();
    expect(told).toEqual(['cancelled']);
    await new Promise<void>((resolve) => client.answer('sum', [1]).subscribe({ complete: resolve }));
    expect(told).toEqual(['cancelled']);
  });

  it('fails as its work does, or as its worker', async () => {
    const failed = (client: JobClient<typeof jobs>, name: 'refuses') =>
      new Promise((resolve) => client.answer(name, undefined).subscribe({ error: resolve }));
    expect(String(await failed(workerThatDies(0).client, 'refuses'))).toContain('too many');
    expect(await failed(workerThatDies(2).client, 'refuses')).toBeInstanceOf(WorkerFault);
  });
});
