import { expect, it } from 'vitest';
import { openBrowser, openPage, seeText, serveApp } from './browser';
import { dragPegAbout } from './peg-drag';

it('the drift line follows a peg that is dragged, and the page is not held up', async () => {
  const served = await serveApp();
  const profile = await openBrowser();
  try {
    const page = await openPage(profile, served.url);
    await seeText(page, 'Kettle in the rain');
    const figures = await dragPegAbout(page, 'kettle-wash');
    expect(figures.answers).toBeGreaterThan(25);
    // Bounds for a busy machine; the measured figures stand in docs/measurements.
    expect(figures.medianMs).toBeLessThan(100);
    expect(figures.longestTaskMs).toBeLessThan(150);
    // Let go with Escape, nothing has changed.
    expect(await page.$eval('[data-pass=kettle-wash] .how', (how) => how.textContent)).toContain(
      'waiting for the pane',
    );
    expect(page.faults).toEqual([]);
  } finally {
    await profile.close();
    await served.close();
  }
});
