import { expect } from 'vitest';
import { inBrowser, openPage } from './browser';
import { inEvidence } from './in-evidence';
import { paintingSpeed } from './painting-speed';

inEvidence('a sheet that is wet all over follows the pen, in real time, and the page is not held up', () =>
  inBrowser(async (profile, url) => {
    const page = await openPage(profile, url);
    const figures = await paintingSpeed(page, url, 0.5, 4);
    expect(figures.places).toBeGreaterThan(150);
    // Bounds for a busy machine; the measured figures stand in docs/measurements.
    expect(figures.p95Ms).toBeLessThan(200);
    expect(figures.realTime).toBeGreaterThan(0.4);
    expect(figures.longestTaskMs).toBeLessThan(120);
    expect(page.faults).toEqual([]);
  }),
);
