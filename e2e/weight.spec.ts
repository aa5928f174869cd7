import { expect, it } from 'vitest';
import { inBrowser } from './browser';
import { firstVisit } from './first-visit';

const INITIAL_LIMIT_BYTES = 250_000;
const WORKER_LIMIT_BYTES = 150_000;

it('the first visit transfers little before the page stands: scripts, styles, page and data', async () => {
  const bytes = await inBrowser(firstVisit);
  expect(bytes.initialScriptsAndStyles).toBeLessThanOrEqual(INITIAL_LIMIT_BYTES);
  expect(bytes.worker).toBeLessThanOrEqual(WORKER_LIMIT_BYTES);
  expect(bytes.worker).toBeGreaterThan(1000);
});
