import { expect, it } from 'vitest';
import { broken } from './limits';

it('says which figures break their bounds, and holds a missing one for broken', () => {
  const measured = {
    figures: { small: 0.1, large: 5, text: 'far' },
    below: { small: 0.2, large: 1, missing: 3 },
    above: { large: 4, small: 0.5, text: 1 },
  };
  expect(broken(measured)).toEqual([
    'large 5 is not below 1',
    'missing undefined is not below 3',
    'small 0.1 is not above 0.5',
    'text far is not above 1',
  ]);
  expect(broken({ figures: { small: 0.1 }, below: { small: 0.2 } })).toEqual([]);
});
