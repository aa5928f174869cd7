import { expect } from 'vitest';
import { inBrowser, openPage } from './browser';
import { rackTimes } from './full-rack';
import { inEvidence } from './in-evidence';

/** On a busy machine a task of 50 ms takes longer; the long evidence holds it to that on a quiet one. */
const LONGEST_MS = 120;

inEvidence('sixty cards and a hundred and fifty people: the rack stays smooth', () =>
  inBrowser(async (profile, url) => {
    const page = await openPage(profile, url);
    const times = await rackTimes(page, url, 60, 150);
    expect(times.puttingUpMs).toBeLessThan(LONGEST_MS);
    expect(times.inUseMs).toBeLessThan(LONGEST_MS);
    expect(page.faults).toEqual([]);
  }),
);
