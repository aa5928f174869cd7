import { writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Page } from 'puppeteer-core';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { readBackup } from '@kettle/core/files/formats';
import type { Plan } from '@kettle/core/document/plan';
import {
  clickFound,
  openBrowser,
  openPage,
  press,
  seeText,
  serveApp,
  station,
  type Profile,
  type Served,
  type OpenPage,
} from './browser';
import { kill, rowOf, spoilRow } from './database';
import { downloads, retype, write } from './hand';
import { inEvidence } from './in-evidence';

let served: Served;
let profile: Profile;

beforeAll(async () => {
  served = await serveApp();
  profile = await openBrowser();
  const page = await openPage(profile, served.url);
  await seeText(page, 'Kettle in the rain');
  await page.close();
});

afterAll(async () => {
  await profile.close();
  await served.close();
});

const open = (path: string): Promise<OpenPage> => openPage(profile, served.url + path);
const menu = async (page: Page, item: string): Promise<void> => {
  await page.waitForSelector('kd-house-menu button');
  await page.locator('kd-house-menu button').click();
  await press(page, item);
};
const value = (page: Page, selector: string): Promise<string> =>
  page.$eval(selector, (field) => (field as HTMLInputElement).value);
const rest = (ms: number): Promise<unknown> => new Promise((resolve) => setTimeout(resolve, ms));
const studioOf = async (page: Page): Promise<Record<string, unknown>> =>
  ((await rowOf(page, 'notes', 'studio')) as { value: Record<string, unknown> }).value;

describe('the studio', () => {
  it('changed in two tabs has what both have done', async () => {
    const [one, other] = [await open('/rack'), await open('/rack')];
    await one.bringToFront();
    await press(one, 'People and their days');
    await write(one, '[name=day-name]', 'boat launch');
    await write(one, '[name=whom]', 'Ama Bright');
    await press(one, 'Keep this day');
    await seeText(one, 'Ama Bright');
    await other.bringToFront();
    await menu(other, 'Measure in inches');
    await rest(400);
    const studio = await studioOf(other);
    expect(studio['lengthUnit']).toBe('in');
    expect((studio['people'] as { name: string }[]).map(({ name }) => name)).toContain('Ama Bright');
    // Taken back where it was done: what the other did stays.
    await menu(other, 'Undo');
    await rest(400);
    const after = await studioOf(other);
    expect(after['lengthUnit']).toBe('mm');
    expect((after['people'] as { name: string }[]).map(({ name }) => name)).toContain('Ama Bright');
    await one.close();
    await other.close();
  });

  it('that cannot be read is left alone, and nothing is written over it', async () => {
    const page = await open('/rack');
    const before = await studioOf(page);
    await spoilRow(page, 'notes', 'studio', ['value', 'version'], 99);
    await page.reload({ waitUntil: 'networkidle0' });
    await seeText(page, 'The studio’s settings cannot be read');
    await menu(page, 'Measure in inches');
    await seeText(page, 'so they cannot be changed');
    expect(await studioOf(page)).toEqual({ ...before, version: 99 });
    await spoilRow(page, 'notes', 'studio', ['value', 'version'], before['version']);
    await page.close();
  });
});

describe('cards', () => {
  it('thrown away while another tab has them open stay; in the bin they wait to be put back', async () => {
    const owner = await open('/card/heron-at-low-tide/paper');
    const rack = await open('/rack');
    await rack.bringToFront();
    const throwAway = async (): Promise<void> => {
      await clickFound(() =>
        rack.waitForFunction(
          () =>
            [...document.querySelectorAll('li')]
              .filter((row) => row.innerText.includes('Heron at low tide'))
              .flatMap((row) => [...row.querySelectorAll('button')])
              .find((button) => button.innerText === 'Throw it away') ?? null,
        ),
      );
      await press(rack, 'Yes, throw it away');
    };
    await throwAway();
    await seeText(rack, 'is open in another tab; close it there first');
    await owner.bringToFront();
    await write(owner, '[data-testid=rh]', '58');
    await rest(300);
    await owner.close();
    await rack.bringToFront();
    await press(rack, 'Read it');
    await throwAway();
    await seeText(rack, 'lies in the bin for 30 days');
    await rack.goto(`${served.url}/safekeeping`, { waitUntil: 'networkidle0' });
    await press(rack, 'Put it back on the rack');
    await seeText(rack, 'The bin is empty');
    await rack.goto(`${served.url}/card/heron-at-low-tide/paper`, { waitUntil: 'networkidle0' });
    await rack.waitForSelector('[data-testid=rh]');
    expect(await value(rack, '[data-testid=rh]')).toBe('58');
    await rack.close();
  });

  inEvidence('of the demo are put back one by one, and only those that are chosen', async () => {
    const page = await open('/card/quince-branch/paper');
    await write(page, '[data-testid=rh]', '33');
    await rest(300);
    await menu(page, 'Put demo cards back…');
    await seeText(page, 'changed by you');
    await page.evaluate(() =>
      document.querySelector<HTMLInputElement>('input[aria-label="Heron at low tide"]')!.click(),
    );
    await press(page, 'Put the chosen cards back');
    await seeText(page, '“Heron at low tide” lies as it was shipped.');
    await page.goto(`${served.url}/card/quince-branch/paper`, { waitUntil: 'networkidle0' });
    await page.waitForSelector('[data-testid=rh]');
    expect(await value(page, '[data-testid=rh]')).toBe('33');
    await page.goto(`${served.url}/safekeeping`, { waitUntil: 'networkidle0' });
    await seeText(page, 'before the demo card was put back');
    await page.close();
  });

  it('opened quickly one after another: the last is on the table, and it alone is locked', async () => {
    const page = await open('/rack');
    await page.waitForFunction(() => document.querySelectorAll('.stand svg').length >= 6);
    await page.evaluate(() => {
      const cards = [...document.querySelectorAll<HTMLAnchorElement>('li > a')];
      cards[0].click();
      cards[2].click();
      cards[1].click();
    });
    const last = await page.evaluate(
      () => document.querySelectorAll<HTMLAnchorElement>('li > a')[1].getAttribute('href')!.split('/')[2],
    );
    await page.waitForFunction((id) => location.pathname.includes(id), {}, last);
    await page.waitForSelector('kd-stream');
    await rest(500);
    const held = await page.evaluate(async () =>
      (await navigator.locks.query())
        .held!.map(({ name }) => name!)
        .filter((name) => name.startsWith('kettle-plan')),
    );
    expect(held).toEqual([`kettle-plan ${last}`]);
    await page.close();
  });

  it('that are damaged are told apart, mended, and kept as they were', async () => {
    const page = await open('/rack');
    await spoilRow(page, 'plans', 'ferry-lights', ['plan', 'climate'], 'warm');
    await page.goto(`${served.url}/card/ferry-lights/brief`, { waitUntil: 'networkidle0' });
    await seeText(page, 'The card was not opened: climate');
    await press(page, 'Safekeeping');
    await seeText(page, 'What is lost: the air of the room.');
    await press(page, 'Mend it');
    await seeText(page, 'before it was mended');
    await page.goto(`${served.url}/card/ferry-lights/brief`, { waitUntil: 'networkidle0' });
    await seeText(page, 'Ferry lights');
    await page.waitForSelector('kd-stream');
    expect(page.faults).toEqual([]);
    await page.close();
  });
});

describe('a backup', () => {
  it('of everything comes back in another browser, plan by plan the same', async () => {
    const page = await open('/safekeeping');
    const fetchFile = await downloads(page);
    await press(page, 'Back up everything');
    const bytes = await fetchFile('.kettle-backup');
    await seeText(page, 'Your last backup is from today.');
    const backup = readBackup(bytes);
    expect(backup.damaged).toEqual([]);
    const path = join(tmpdir(), `all-${Date.now()}.kettle-backup`);
    writeFileSync(path, bytes);

    const fresh = await openBrowser();
    const there = await openPage(fresh, `${served.url}/safekeeping`);
    await seeText(there, 'You have no backup yet.');
    const input = (await there.$('[data-testid=backup-file]'))!;
    await (input as unknown as { uploadFile: (path: string) => Promise<void> }).uploadFile(path);
    await seeText(there, 'settings are those of the backup');
    for (const { id, plan } of backup.cards) {
      const row = (await rowOf(there, 'plans', id)) as { plan: Plan };
      expect({ ...row.plan, lines: (plan as Plan).lines, resists: (plan as Plan).resists }).toEqual(plan);
    }
    expect(await studioOf(there)).toEqual(backup.studio);
    expect(there.faults).toEqual([]);
    await fresh.close();
    await page.close();
  });
});

describe('what is being written', () => {
  it('comes back after the tab was lost in the middle of it', async () => {
    const page = await open('/card/kettle-in-the-rain/brief');
    const field = '.title input';
    await page.waitForSelector(field);
    await page.locator(field).click({ count: 3 });
    await page.keyboard.type('Kettle in the first rain');
    await rest(1000);
    await kill(page);
    const again = await open('/card/kettle-in-the-rain/brief');
    await seeText(again, 'has been put back');
    expect(await value(again, field)).toBe('Kettle in the first rain');
    await again.waitForFunction(
      () => document.querySelector('header .card strong')?.textContent === 'Kettle in the first rain',
    );
    await again.close();
  });

  it('as a number is not put back by itself: cut short it would be another', async () => {
    const page = await open('/card/kettle-in-the-rain/paper');
    const before = await (await page.waitForSelector('[data-testid=rh]'))!.evaluate(
      (field) => (field as HTMLInputElement).value,
    );
    await page.locator('[data-testid=rh]').click({ count: 3 });
    await page.keyboard.type('7');
    await rest(1000);
    await kill(page);
    const again = await open('/card/kettle-in-the-rain/paper');
    await seeText(again, '“7” was being written in');
    expect(await value(again, '[data-testid=rh]')).toBe(before);
    await press(again, 'Put it back');
    await again.waitForFunction(
      () => document.querySelector<HTMLInputElement>('[data-testid=rh]')?.value === '7',
    );
    await again.keyboard.press('u');
    await again.close();
  });

  it('and is refused goes back to what is so, in a reader’s tab too', async () => {
    const owner = await open('/card/kettle-in-the-rain/paper');
    const reader = await open('/card/kettle-in-the-rain/paper');
    await seeText(reader, 'This card is open in another tab.');
    const before = await value(reader, '[data-testid=rh]');
    await retype(reader, '[data-testid=rh]', '12');
    await seeText(reader, 'Nothing was changed.');
    await reader.waitForFunction(
      (was) => document.querySelector<HTMLInputElement>('[data-testid=rh]')?.value === was,
      {},
      before,
    );
    await owner.close();
    await reader.close();
  });
});

describe('a stroke under the pen of a tab that was lost', () => {
  it('is kept by the tab that takes the card over, before anything newer', async () => {
    const owner = await open('/card/kites-over-the-dunes/sketch');
    await owner.waitForSelector('canvas');
    const reader = await open('/card/kites-over-the-dunes/sketch');
    await seeText(reader, 'This card is open in another tab.');
    await owner.bringToFront();
    const box = (await (await owner.$('[data-testid=board]'))!.boundingBox())!;
    await owner.mouse.move(box.x + 200, box.y + 200);
    await owner.mouse.down();
    for (let i = 0; i < 40; i++) {
      await owner.mouse.move(box.x + 200 + 4 * i, box.y + 200 + i);
      await rest(20);
    }
    await rest(400);
    await kill(owner);
    await seeText(reader, 'A stroke that was not finished has been kept.');
    const pieces = await reader.evaluate(
      () =>
        new Promise<number>((resolve) => {
          const opening = indexedDB.open('kettle-drift');
          opening.onsuccess = () => {
            const counting = opening.result.transaction('strokes').objectStore('strokes').count();
            counting.onsuccess = () => resolve(counting.result);
          };
        }),
    );
    expect(pieces).toBe(0);
    await station(reader, 'brief');
    expect(reader.faults.filter((fault) => !fault.includes('crash'))).toEqual([]);
    await reader.close();
  });
});
