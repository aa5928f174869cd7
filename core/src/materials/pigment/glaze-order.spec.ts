import { expect, it } from 'vitest';
import { paperById } from '../paper';
import { atReferenceFilm, glazeLab, glazeOrders, pigmentByCode, type Mix } from '.';

const paper = paperById('cotton-cold-300');
const wash = (code: string, strength: number): Mix =>
  atReferenceFilm([{ pigment: pigmentByCode(code), parts: 1 }], strength);

it('tries every order once, the nearest first', () => {
  const glazes = [wash('PY35', 0.8), wash('PB60', 0.4), wash('PR122', 0.2)];
  const wanted = glazeLab(paper, [glazes[1], glazes[2], glazes[0]]);
  const orders = glazeOrders(paper, [], glazes, wanted);
  expect(new Set(orders.map(({ order }) => order.join())).size).toBe(6);
  expect(orders[0].order).toEqual([1, 2, 0]);
  expect(orders[0].deltaE).toBe(0);
  orders.slice(1).forEach(({ deltaE }, i) => expect(deltaE).toBeGreaterThanOrEqual(orders[i].deltaE));
});

it('lays them over what is painted', () => {
  const painted = [wash('PBk6', 1)];
  const [only] = glazeOrders(paper, painted, [wash('PY3', 0.2)], [50, 0, 0]);
  expect(only.lab[0]).toBeLessThan(30);
});

it('refuses more than five', () =>
  expect(() => glazeOrders(paper, [], new Array<Mix>(6).fill(wash('PY3', 0.1)), [50, 0, 0])).toThrow(
    /at most 5/,
  ));
