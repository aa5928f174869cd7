import { expect, it } from 'vitest';
import { loadFont } from '@kettle/core/drawing/lettering';
import { revealWord } from './revealed-word';

it('a word painted over its mask is what its outline says when it is revealed, counters painted', async () => {
  const { places, wrong, findings } = revealWord('boe', await loadFont('rounded'), 14, 0.3);
  expect(places).toBeGreaterThan(10_000);
  expect(findings).toEqual([]);
  expect(wrong).toBe(0);
});
