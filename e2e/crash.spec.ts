import { readFileSync } from 'node:fs';
import type { ElementHandle, Page } from 'puppeteer-core';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { Plan } from '@kettle/core/document/plan';
import { openBrowser, openPage, press, seeText, serveApp, type Profile, type Served } from './browser';
import { kill, planAt, putRow, rowOf, spoilRow } from './database';
import { Pen, retype, write } from './hand';

/** Kills in all, over all kinds of work; an everyday run takes one of each of a few. */
const KILLS = Number(process.env['KILLS'] ?? 1);
const LAST_SECOND_MS = 1000;

let served: Served;
let profile: Profile;
let restarts = 0;

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

const open = (path: string): Promise<Page> => openPage(profile, `${served.url}/${path}`);
const rest = (ms: number): Promise<unknown> => new Promise((resolve) => setTimeout(resolve, ms));
const between = (from: number, to: number): number => from + Math.random() * (to - from);

/** The three ways a tab goes: its process dies, the whole browser is killed, it is closed. */
const WAYS = ['crash', 'kill -9', 'closed'] as const;

async function end(page: Page, way: (typeof WAYS)[number]): Promise<void> {
  if (way === 'crash') await kill(page);
  else if (way === 'closed') await page.close();
  else {
    const { browser, folder } = profile;
    const gone = new Promise((resolve) => browser.process()!.once('exit', resolve));
    browser.process()!.kill('SIGKILL');
    await gone;
    await rest(300);
    profile = await openBrowser(folder);
    restarts++;
  }
}

/** What the app shows as kept, once what was done just now is drawn: nothing under way, nothing in this tab alone. */
const showsKept = (page: Page): Promise<boolean> =>
  page.evaluate(
    () =>
      new Promise<boolean>((resolve) => {
        const look = (): void =>
          resolve(document.querySelector<HTMLElement>('header .card')?.innerText.includes('· kept') ?? false);
        requestAnimationFrame(() => requestAnimationFrame(() => setTimeout(look)));
      }),
  );

const KETTLE = 'kettle-in-the-rain';
const menu = async (page: Page, item: string): Promise<void> => {
  await page.waitForSelector('kd-house-menu button');
  await page.locator('kd-house-menu button').click();
  await press(page, item);
};
const field = (page: Page, selector: string, text: string): Promise<void> => retype(page, selector, text);
const studioOf = async (page: Page): Promise<Record<string, unknown>> =>
  ((await rowOf(page, 'notes', 'studio')) as { value: Record<string, unknown> }).value;

/** A kind of work: it goes on until it is killed, and tells how to see afterwards that nothing is lost. */
interface Work {
  readonly path: string;
  /** Works for so long; what it gives back is asked of the page that is opened after. */
  readonly goOn: (page: Page, forMs: number) => Promise<(again: Page) => Promise<void>>;
}

/** Something small done again and again: what was shown as kept must be there. */
const repeated =
  (doIt: (page: Page, n: number) => Promise<void>, found: (page: Page) => Promise<number>): Work['goOn'] =>
  async (page, forMs) => {
    // What an earlier course left stands for nothing done yet.
    const before = await found(page);
    const begun = performance.now();
    let [n, kept] = [0, 0];
    while (performance.now() - begun < forMs) {
      await doIt(page, ++n);
      if (await showsKept(page)) kept = n;
      await rest(40);
    }
    return async (again) => {
      const left = await found(again);
      const there = left === before && (left < 1 || left > n) ? 0 : left;
      expect(there).toBeGreaterThanOrEqual(kept);
      expect(there).toBeLessThanOrEqual(n);
    };
  };

/** The card the address has come to. */
async function cardOfAddress(page: Page): Promise<string> {
  await page.waitForFunction(() => location.pathname.startsWith('/card/'));
  await page.waitForSelector('kd-stream');
  return new URL(page.url()).pathname.split('/')[2];
}

/** The demo card's sheet, mm, and the room the board leaves round it, px: gives mm per share of the board's width. */
async function mmPerShare(page: Page): Promise<number> {
  const [width, height] = await page.$eval('[data-testid=board]', (board) => [
    board.clientWidth,
    board.clientHeight,
  ]);
  return width / Math.min((width - 56) / 156, (height - 56) / 108);
}

const rhOf = async (page: Page): Promise<number> => Math.round(100 * (await planAt(page, KETTLE)).climate.rh);

const WORK: Readonly<Record<string, Work>> = {
  'a stroke under the pen': {
    path: `card/${KETTLE}/sketch`,
    goOn: async (page, forMs) => {
      await page.waitForSelector('canvas');
      const lines = (await planAt(page, KETTLE)).lines.length;
      const scale = await mmPerShare(page);
      const pen = await Pen.on(page, '[data-testid=board]');
      const trail: { atMs: number; x: number }[] = [];
      const begun = performance.now();
      await pen.down([0.1, 0.5, 0.4]);
      for (let i = 1; performance.now() - begun < forMs + 900; i++) {
        const x = 0.1 + 0.0008 * i;
        await pen.move([x, 0.5 + 0.05 * Math.sin(i / 9), 0.4]);
        trail.push({ atMs: performance.now() - begun, x });
      }
      const killedMs = performance.now() - begun;
      return async (again) => {
        await again.waitForSelector('canvas');
        await rest(400);
        const drawn = (await planAt(again, KETTLE)).lines;
        expect(drawn.length).toBe(lines + 1);
        const { points } = drawn.at(-1)!;
        const owed = trail.findLast(({ atMs }) => atMs < killedMs - LAST_SECOND_MS);
        if (owed)
          expect(points.at(-1)![0] - points[0][0]).toBeGreaterThanOrEqual((owed.x - 0.1) * scale - 0.1);
      };
    },
  },
  'a sitting': {
    path: `card/${KETTLE}/sitting`,
    goOn: async (page, forMs) => {
      if (!(await page.$('[data-testid=sit-down]'))) await press(page, 'Leave this sitting');
      await press(page, 'Sit down and start the clock');
      await page.waitForSelector('[data-testid=act]');
      return repeated(
        async (at, n) => {
          if (n <= 14) await at.locator('[data-testid=done], .quiet').click();
        },
        async (again) => (await planAt(again, KETTLE)).sitting!.events.length,
      )(page, forMs);
    },
  },
  'text in a field': {
    path: `card/${KETTLE}/brief`,
    goOn: async (page, forMs) => {
      // Each course writes something else, so that what an earlier one left is not taken for it.
      const first = Math.floor(between(0, 26));
      const letter = (n: number): string => String.fromCharCode(97 + ((first + n) % 26));
      const typed: { atMs: number; text: string }[] = [];
      await page.locator('.title input').click({ count: 3 });
      const begun = performance.now();
      for (let n = 0; performance.now() - begun < forMs + 900 && n < 60; n++) {
        await page.keyboard.type(letter(n));
        typed.push({ atMs: performance.now() - begun, text: typed.map(({ text }) => text.at(-1)).join('') });
        await rest(50);
      }
      const killedMs = performance.now() - begun;
      const whole = typed.map((_, n) => letter(n)).join('');
      return async (again) => {
        const owed = typed.filter(({ atMs }) => atMs < killedMs - LAST_SECOND_MS).length;
        if (owed === 0) return;
        // It came into the plan as the tab was closed, or is put back now.
        let { title } = await planAt(again, KETTLE);
        for (let waited = 0; waited < 5000 && !whole.startsWith(title); waited += 100) {
          await rest(100);
          ({ title } = await planAt(again, KETTLE));
        }
        expect(whole.startsWith(title)).toBe(true);
        expect(title.length).toBeGreaterThanOrEqual(owed);
      };
    },
  },
  'numbers in a field': {
    path: `card/${KETTLE}/paper`,
    goOn: repeated(
      (page, n) => field(page, '[data-testid=rh]', String(20 + n)),
      async (again) => (await rhOf(again)) - 20,
    ),
  },
  'undo and redo': {
    path: `card/${KETTLE}/paper`,
    goOn: async (page, forMs) => {
      for (let n = 0; n < 4; n++) await field(page, '[data-testid=rh]', String(30 + n));
      await page.evaluate(() => (document.activeElement as HTMLElement).blur());
      let shown = 33;
      const begun = performance.now();
      for (let n = 0; performance.now() - begun < forMs; n++) {
        await page.keyboard.press(n % 6 < 3 ? 'u' : 'U');
        await rest(60);
        if (await showsKept(page))
          shown = Number(await page.$eval('[data-testid=rh]', (rh) => (rh as HTMLInputElement).value));
      }
      return async (again) => expect(Math.abs((await rhOf(again)) - shown)).toBeLessThanOrEqual(1);
    },
  },
  'the unit of the studio': {
    path: 'rack',
    goOn: async (page, forMs) => {
      const before = (await studioOf(page))['lengthUnit'];
      await menu(page, before === 'in' ? 'Measure in mm' : 'Measure in inches');
      // Of what was done in the last second only that is safe which is kept.
      for (let waited = 0; (await studioOf(page))['lengthUnit'] === before; waited += 50) {
        expect(waited).toBeLessThan(1000);
        await rest(50);
      }
      await rest(forMs);
      return async (again) => expect((await studioOf(again))['lengthUnit']).not.toBe(before);
    },
  },
  'a person of the studio': {
    path: 'rack',
    goOn: async (page, forMs) => {
      const name = `Person ${Date.now()}`;
      await press(page, 'People and their days');
      await write(page, '[name=day-name]', 'birthday');
      await write(page, '[name=whom]', name);
      await press(page, 'Keep this day');
      await seeText(page, name);
      await rest(forMs);
      return async (again) =>
        expect(((await studioOf(again))['people'] as { name: string }[]).map((one) => one.name)).toContain(
          name,
        );
    },
  },
  'throwing a card away': {
    path: 'rack',
    goOn: async (page, forMs) => {
      await page.waitForSelector('.stand svg');
      await page.evaluate(() => {
        const row = [...document.querySelectorAll('li')].find((li) => li.innerText.includes('Ferry lights'))!;
        [...row.querySelectorAll('button')].find((button) => button.innerText === 'Throw it away')!.click();
      });
      await press(page, 'Yes, throw it away');
      await seeText(page, 'lies in the bin');
      await rest(forMs);
      return async (again) => {
        expect(await rowOf(again, 'plans', 'ferry-lights')).toMatchObject({
          binnedAt: expect.any(Number) as number,
        });
        await again.goto(`${served.url}/safekeeping`, { waitUntil: 'networkidle0' });
        await press(again, 'Put it back on the rack');
        await seeText(again, 'The bin is empty');
      };
    },
  },
  'taking a card out of the bin': {
    path: 'safekeeping',
    goOn: async (page, forMs) => {
      await spoilRow(page, 'plans', 'firefly-jar', ['binnedAt'], Date.now());
      await page.reload({ waitUntil: 'networkidle0' });
      await press(page, 'Put it back on the rack');
      await seeText(page, 'The bin is empty');
      await rest(forMs);
      return async (again) =>
        expect((await rowOf(again, 'plans', 'firefly-jar')) as object).not.toHaveProperty('binnedAt');
    },
  },
  'a card of an earlier version': {
    path: 'rack',
    goOn: async (page, forMs) => {
      const id = `old-${Date.now()}`;
      const old = JSON.parse(
        readFileSync('core/src/document/versions/fixtures/plan-v8.json', 'utf8'),
      ) as Plan;
      await putRow(page, 'plans', { id, plan: { ...old, id }, seq: 0, changedAt: 0 });
      await page.goto(`${served.url}/card/${id}/paper`, { waitUntil: 'networkidle0' });
      await page.waitForSelector('[data-testid=rh]');
      const check = await repeated(
        (at, n) => field(at, '[data-testid=rh]', String(20 + n)),
        async (again) => Math.round(100 * (await planAt(again, id)).climate.rh) - 20,
      )(page, forMs);
      return async (again) => {
        await check(again);
        await again.goto(`${served.url}/card/${id}/brief`, { waitUntil: 'networkidle0' });
        await again.waitForSelector('kd-stream');
      };
    },
  },
  'beginning a card': {
    path: 'rack',
    goOn: async (page, forMs) => {
      const title = `Begun ${Date.now()}`;
      await page.waitForSelector('[data-testid=title]');
      await page.type('[data-testid=title]', title);
      await press(page, 'Put it on the table');
      const id = await cardOfAddress(page);
      await rest(forMs);
      return async (again) => expect((await planAt(again, id)).title).toBe(title);
    },
  },
  'making a card again': {
    path: 'rack',
    goOn: async (page, forMs) => {
      await page.waitForSelector('.stand svg');
      await press(page, 'Make it again');
      const id = await cardOfAddress(page);
      await rest(forMs);
      return async (again) => expect((await planAt(again, id)).title).toMatch(/, again$/);
    },
  },
  'putting a demo card back': {
    path: 'card/quince-branch/paper',
    goOn: async (page, forMs) => {
      await field(page, '[data-testid=rh]', '77');
      await rest(200);
      await menu(page, 'Put demo cards back…');
      await seeText(page, 'changed by you');
      await page.evaluate(() =>
        document.querySelector<HTMLInputElement>('input[aria-label="Quince branch"]')!.click(),
      );
      await press(page, 'Put the chosen cards back');
      await seeText(page, '“Quince branch” lies as it was shipped.');
      await rest(forMs);
      return async (again) => {
        expect((await planAt(again, 'quince-branch')).climate.rh).not.toBe(0.77);
        await again.goto(`${served.url}/safekeeping`, { waitUntil: 'networkidle0' });
        await seeText(again, 'before the demo card was put back');
      };
    },
  },
  'a picture laid under a card': {
    path: 'card/heron-at-low-tide/sketch',
    goOn: async (page, forMs) => {
      await page.waitForSelector('canvas');
      const before = (await planAt(page, 'heron-at-low-tide')).pictures.length;
      await press(page, 'Tracing');
      const input = (await page.waitForSelector(
        '[data-testid=picture-file]',
      )) as ElementHandle<HTMLInputElement>;
      await input.uploadFile('docs/screenshots/brief.png');
      for (let tries = 0; (await planAt(page, 'heron-at-low-tide')).pictures.length === before; tries++) {
        if (tries === 60) throw new Error('the picture was not laid within 12 s');
        await rest(200);
      }
      await rest(forMs + 200);
      return async (again) => {
        const { pictures } = await planAt(again, 'heron-at-low-tide');
        expect(pictures.length).toBe(before + 1);
        const file = pictures.at(-1)!.file;
        expect(await rowOf(again, 'attachments', ['heron-at-low-tide', file])).toBeTruthy();
      };
    },
  },
};

const EVERYDAY = ['a stroke under the pen', 'a sitting', 'text in a field', 'a card of an earlier version'];
const kinds = Object.keys(WORK).filter((kind) => KILLS > 1 || EVERYDAY.includes(kind));
const courses = Array.from({ length: KILLS > 1 ? KILLS : kinds.length }, (_, i) => ({
  kind: kinds[i % kinds.length],
  way: KILLS > 1 ? WAYS[Math.floor(i / kinds.length) % WAYS.length] : WAYS[i % WAYS.length],
  n: i,
}));

describe('a tab that goes in the middle of', () => {
  it.each(courses)('$kind ($way, $n): nothing shown as kept is lost', async ({ kind, way }) => {
    const { path, goOn } = WORK[kind];
    const page = await open(path);
    const check = await goOn(page, between(0, 700));
    const { pathname } = new URL(page.url());
    await end(page, way);
    const again = await open(pathname.slice(1));
    try {
      await check(again);
    } finally {
      // One that stayed open would hold its card against those that come after.
      await again.close();
    }
  });

  it('the browser was killed as often as was meant', () => {
    expect(restarts).toBe(courses.filter(({ way }) => way === 'kill -9').length);
  });
});
