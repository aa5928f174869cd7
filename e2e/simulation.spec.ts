import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { layOut, moments, rehearse } from '@kettle/core/order/schedule';
import { done } from '@kettle/core/kit/units';
import { fingerprintOf, Replay } from '@kettle/core/simulation/water';
import { panelKernelFromBuild } from '@kettle/kernels/node';
import { GLANCE_MOMENTS, MOST_MOMENTS, STATES_CAP_BYTES } from '../app/src/workers/painted-ahead';
import { kettleInTheRain } from '../demo/kettle-in-the-rain';
import {
  openBrowser,
  openPage,
  seeText,
  serveApp,
  station,
  type Profile,
  type Served,
  type OpenPage,
} from './browser';

let served: Served;
let profile: Profile;
let page: OpenPage;

beforeAll(async () => {
  served = await serveApp();
  profile = await openBrowser();
  page = await openPage(profile, served.url);
  await seeText(page, 'Kettle in the rain');
  await station(page, 'passes');
  await page.waitForSelector('[data-testid=simulate]');
});

afterAll(async () => {
  await profile.close();
  await served.close();
});

/** The page may have come to its finer look already, which is kept at other moments. */
const LOOKS = [
  { cellMm: 1, most: GLANCE_MOMENTS },
  { cellMm: 0.5, most: MOST_MOMENTS },
];

const words = (): Promise<string> => page.$eval('[data-testid=simulation]', (e) => e.textContent.trim());
const painted = (): Promise<boolean> => page.$eval('kd-passes', (e) => e.querySelector('image') !== null);

describe('painting the plan ahead', () => {
  it('shows the paint as a hand would lay it, and the page stays free meanwhile', async () => {
    expect(await painted()).toBe(false);
    const longest = page.evaluate(
      () =>
        new Promise<number>((resolve) => {
          let [last, most] = [performance.now(), 0];
          const until = last + 3000;
          const beat = (): void => {
            const now = performance.now();
            most = Math.max(most, now - last);
            last = now;
            if (now > until) resolve(most);
            else setTimeout(beat, 4);
          };
          beat();
        }),
    );
    await page.click('[data-testid=simulate]');
    await page.waitForSelector('kd-passes image');
    expect(await words()).toContain('simulated, as at');
    // Two cores carry the worker, the browser and this test: a bound on being stuck, not on a frame.
    expect(await longest).toBeLessThan(500);
  });

  it('is the same paper in the browser as in Node, to the last bit', async () => {
    const inPage = await page.$eval('[data-testid=simulation]', (e) => e.getAttribute('data-fingerprint'));
    const plan = kettleInTheRain();
    const timeline = layOut(plan);
    const prints = ({ cellMm, most }: (typeof LOOKS)[number]): string[] => {
      const simulation = rehearse(plan, timeline, { cellMm, seed: 1 });
      const replay = new Replay(simulation, panelKernelFromBuild(), STATES_CAP_BYTES, plan.embedded);
      return moments(timeline, most).map((atS) => {
        done(replay.goTo(atS));
        return fingerprintOf(replay.run);
      });
    };
    expect(LOOKS.some((look) => prints(look).includes(inPage!))).toBe(true);
  });

  it('goes back to flat colours, and by the keyboard to the paint again', async () => {
    await page.focus('[data-testid=simulate]');
    await page.keyboard.press('Enter');
    await page.waitForFunction(() => !document.querySelector('kd-passes image'));
    expect(await words()).toBe('');
    await page.keyboard.press('Enter');
    await page.waitForSelector('kd-passes image');
    expect(page.faults).toEqual([]);
  });
});
