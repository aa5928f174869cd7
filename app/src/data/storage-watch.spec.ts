import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import { BadInput } from '@kettle/core/kit/units';
import { CardGone } from './card-archive';
import { faultOf, StorageSilent, StorageWatch, type StorageFault } from './storage-watch';

beforeEach(() => {
  vi.useFakeTimers();
});
afterEach(() => {
  vi.useRealTimers();
});

const never = (): Promise<never> => new Promise(() => undefined);
const quota = new DOMException('no room', 'QuotaExceededError');

it('silence is told within a second, given up after four, and over when something answers', async () => {
  const watch = new StorageWatch();
  const asked = watch.read(never).catch((cause: unknown) => cause);
  await vi.advanceTimersByTimeAsync(899);
  expect(watch.trouble$.value).toBeNull();
  await vi.advanceTimersByTimeAsync(1);
  expect(watch.trouble$.value?.fault).toBe('silent');
  await vi.advanceTimersByTimeAsync(3100);
  expect(await asked).toBeInstanceOf(StorageSilent);
  expect(await watch.read(() => Promise.resolve(3))).toBe(3);
  expect(watch.trouble$.value).toBeNull();
});

it('a full disk stays told until something has been written', async () => {
  const watch = new StorageWatch();
  await expect(watch.write(() => Promise.reject(quota))).rejects.toBe(quota);
  expect([watch.hasTold(quota), watch.hasTold(new Error('other'))]).toEqual([true, false]);
  await watch.read(() => Promise.resolve(1));
  expect(watch.trouble$.value?.fault).toBe('full');
  await watch.write(() => Promise.resolve(1));
  expect(watch.trouble$.value).toBeNull();
});

it.each<[unknown, StorageFault | null]>([
  [quota, 'full'],
  [Object.assign(new Error('aborted'), { inner: quota }), 'full'],
  [new DOMException('', 'SecurityError'), 'blocked'],
  [new CardGone('card'), 'emptied'],
  [new DOMException('', 'UnknownError'), 'failing'],
  [new BadInput('title', 'is missing'), null],
  [new TypeError('x is undefined'), null],
])('%s is told as %s', (cause, fault) => expect(faultOf(cause)).toBe(fault));
