import { expect, it } from 'vitest';
import { registryFiles, withRegistries } from './registries';

it.each(registryFiles())('$path says what the registries say', ({ says, should }) => {
  expect(says).toBe(should);
});

it('a place that is not marked is missed', () => {
  const text = 'before\n<!-- a begin -->\nold\n<!-- a end -->\nafter';
  expect(withRegistries(text, { a: () => 'new' })).toBe(text.replace('old', 'new'));
  expect(() => withRegistries(text, { b: () => 'new' })).toThrow('no place is marked for b');
});
