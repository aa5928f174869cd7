import { expect, it } from 'vitest';
import { remembered } from './remembered';

it('finds a thing once by its key, nothing and no included, and anew for another', () => {
  const keep = remembered<number | null>();
  const [one, other] = [[1], [1]];
  let asked = 0;
  const ask = (of: readonly number[], key: string, value: number | null) =>
    keep(of, key, () => {
      asked++;
      return value;
    });
  expect([ask(one, 'a', null), ask(one, 'a', 5)]).toEqual([null, null]);
  expect(asked).toBe(1);
  expect([ask(one, 'b', 0), ask(one, 'b', 5), ask(other, 'a', 7)]).toEqual([0, 0, 7]);
  expect(asked).toBe(3);
});
