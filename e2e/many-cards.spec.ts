import { expect } from 'vitest';
import { inBrowser, openPage } from './browser';
import { inEvidence } from './in-evidence';
import { leaks, manyCards } from './many-cards';

inEvidence(
  'of three hundred cards one opens at once, and the rack tells their last evenings in seconds',
  () =>
    inBrowser(async (profile, url) => {
      const times = await manyCards(await openPage(profile, url), url, 300);
      expect(times.opensMs).toBeLessThan(1500);
      expect(times.eveningsMs).toBeLessThan(5000);
    }),
);

inEvidence('going to and fro leaves nothing behind', () =>
  inBrowser(async (profile, url) => {
    const left = await leaks(await openPage(profile, url), 12, 40);
    expect(left['rackGrownMB']).toBeLessThan(2);
    expect(left['stationsGrownMB']).toBeLessThan(2);
  }),
);
