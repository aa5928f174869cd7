import { expect, it } from 'vitest';
import { evidenceOf, inWords } from './limits';

it('says which figures break their bounds, and holds a missing one for broken', () => {
  const measured = {
    figures: { small: 0.1, large: 5, text: 'far' },
    below: { small: 0.2, large: 1, missing: 3 },
    above: { large: 4, small: 0.5, text: 1 },
  };
  const rows = evidenceOf('jars', measured);
  expect(rows.length).toBe(6);
  expect(rows.filter(({ holds }) => !holds).map(inWords)).toEqual([
    'jars: large 5 is not below 1',
    'jars: missing missing is not below 3',
    'jars: small 0.1 is not above 0.5',
    'jars: text missing is not above 1',
  ]);
  expect(rows[0]).toEqual({ measure: 'jars', what: 'small', figure: 0.1, bound: 'below 0.2', holds: true });
});
