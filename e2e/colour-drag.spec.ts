import { expect, it } from 'vitest';
import { dragWanted } from './colour-drag';
import { quietestDrag } from './drag-watch';

it('a wanted colour that is dragged is answered at once, and the page is not held up', async () => {
  // Bounds for a busy machine; the measured figures stand in docs/measurements.
  const figures = await quietestDrag(dragWanted, ({ longestTaskMs }) => longestTaskMs, 120);
  expect(figures.answers).toBeGreaterThan(25);
  expect(figures.medianMs).toBeLessThan(100);
  expect(figures.longestTaskMs).toBeLessThan(120);
});
