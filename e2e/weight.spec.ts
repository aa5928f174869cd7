import { expect, it } from 'vitest';
import { openBrowser, serveApp } from './browser';
import { firstVisit } from './first-visit';

const INITIAL_LIMIT_BYTES = 250_000;
const WORKER_LIMIT_BYTES = 150_000;

it('the first visit transfers little before the page stands: scripts, styles, page and data', async () => {
  const served = await serveApp();
  const profile = await openBrowser();
  try {
    const bytes = await firstVisit(profile, served.url);
    expect(bytes.initialScriptsAndStyles).toBeLessThanOrEqual(INITIAL_LIMIT_BYTES);
    expect(bytes.worker).toBeLessThanOrEqual(WORKER_LIMIT_BYTES);
    expect(bytes.worker).toBeGreaterThan(1000);
  } finally {
    await profile.close();
    await served.close();
  }
});
