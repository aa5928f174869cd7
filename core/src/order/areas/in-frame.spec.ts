import { expect, it } from 'vitest';
import { rectangle } from '../../kit/geometry';
import { areasInFrame } from '.';

it('tells what a crop keeps whole, cuts through and leaves out, holes and all', () => {
  const areas = [
    { id: 'whole', name: 'whole', outline: rectangle(20, 20, 10, 10) },
    { id: 'half', name: 'half', outline: rectangle(90, 20, 20, 10) },
    { id: 'out', name: 'out', outline: rectangle(120, 20, 10, 10) },
    {
      id: 'ring',
      name: 'ring',
      outline: [...rectangle(80, 40, 40, 40), rectangle(100, 50, 10, 20)[0]],
    },
  ];
  const found = areasInFrame({ areas }, rectangle(10, 10, 90, 80)[0]);
  expect(found.map(({ is }) => is)).toEqual(['whole', 'cut', 'out', 'cut']);
  expect(found[1].share).toBeCloseTo(0.5, 9);
  // The ring has 1600 − 200 mm², of which the 800 left of the hole are inside.
  expect(found[3].share).toBeCloseTo(800 / 1400, 9);
});
