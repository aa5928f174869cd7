import { expect, it } from 'vitest';
import { openBrowser, openPage, seeText, serveApp } from './browser';
import { dragWanted } from './colour-drag';

it('a wanted colour that is dragged is answered at once, and the page is not held up', async () => {
  const served = await serveApp();
  const profile = await openBrowser();
  try {
    const page = await openPage(profile, served.url);
    await seeText(page, 'Kettle in the rain');
    const figures = await dragWanted(page);
    expect(figures.answers).toBeGreaterThan(25);
    // Bounds for a busy machine; the measured figures stand in docs/measurements.
    expect(figures.medianMs).toBeLessThan(100);
    expect(figures.longestTaskMs).toBeLessThan(120);
    expect(page.faults).toEqual([]);
  } finally {
    await profile.close();
    await served.close();
  }
});
