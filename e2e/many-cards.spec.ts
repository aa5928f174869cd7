import { expect } from 'vitest';
import { openBrowser, openPage, serveApp, type Profile } from './browser';
import { inEvidence } from './in-evidence';
import { leaks, manyCards } from './many-cards';

async function inBrowser(look: (profile: Profile, url: string) => Promise<void>): Promise<void> {
  const served = await serveApp();
  const profile = await openBrowser();
  try {
    await look(profile, served.url);
  } finally {
    await profile.close();
    await served.close();
  }
}

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
