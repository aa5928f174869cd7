import { cpSync, mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import type { Server } from 'node:http';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { serve } from '@hono/node-server';
import { kettleServer } from '@kettle/server';
import { describe, expect, it } from 'vitest';
import { openBrowser, openPage, seeText, serveApp, station } from './browser';
import { inEvidence } from './in-evidence';

const rest = (ms: number): Promise<unknown> => new Promise((resolve) => setTimeout(resolve, ms));

describe('a network that goes', () => {
  it.each(Number(process.env['KILLS'] ?? 1) > 1 ? [2, 4, 7] : [2])(
    '%d seconds after the first visit leaves the page as it is, and it loads again',
    async (seconds) => {
      const served = await serveApp();
      const profile = await openBrowser();
      try {
        const page = await openPage(profile, `${served.url}/card/kettle-in-the-rain/passes`, {
          keepsOffline: true,
        });
        await page.waitForSelector('.span[data-act=sill-wash]');
        await rest(1000 * seconds);
        await served.close();
        await page.reload({ waitUntil: 'load' });
        await page.waitForSelector('.span[data-act=sill-wash]');
      } finally {
        await profile.close();
      }
    },
  );

  it('is told of beforehand: the program says when it is ready without one', async () => {
    const served = await serveApp();
    const profile = await openBrowser();
    const page = await openPage(profile, `${served.url}/safekeeping`, { keepsOffline: true });
    page.setDefaultTimeout(60_000);
    await seeText(page, 'The program is ready without a network.');
    await served.close();
    for (const path of [
      'rack',
      'cupboard',
      'card/kettle-in-the-rain/colours',
      'card/kettle-in-the-rain/finish',
    ]) {
      await page.goto(served.url + '/' + path, { waitUntil: 'load' });
      await page.waitForSelector('main > :not(router-outlet):not(.opening)');
    }
    await profile.close();
  });
});

/** A copy of the built app as a newer version of it: its page says so, and every part has another name. */
function newerVersion(): string {
  const root = mkdtempSync(join(tmpdir(), 'kettle-newer-'));
  cpSync('dist/app/browser', root, { recursive: true, filter: (name) => !/\.(br|gz)$/.test(name) });
  const hashed = readdirSync(root).filter((name) => /-[A-Z0-9]{8}\.js$/.test(name));
  const renamed = new Map(
    hashed.map((name) => [
      name,
      name.replace(/-([A-Z0-9]{8})\.js$/, (_, hash: string) => `-${Array.from(hash).reverse().join('')}.js`),
    ]),
  );
  const newName = (name: string): string => renamed.get(name) ?? name;
  const inNewNames = (text: string): string =>
    text.replace(/[a-z]+-[A-Z0-9]{8}\.js/g, (name) => newName(name));
  for (const name of readdirSync(root).filter((file) => /\.(js|html)$/.test(file))) {
    const text = inNewNames(readFileSync(join(root, name), 'utf8'));
    rmSync(join(root, name));
    writeFileSync(
      join(root, newName(name)),
      text
        .replace('<title>', '<title>Newer · ')
        .replace(/(url:"\/index\.html",revision:")[^"]+/, '$1of-the-newer-version'),
    );
  }
  return root;
}

/** A server that hands out one version, then another, at the same address. */
function versions(): Promise<{ url: string; renew: () => void; close: () => Promise<void> }> {
  let app = kettleServer('dist/app/browser');
  return new Promise((resolve) => {
    const server = serve(
      { fetch: (request, env) => app.fetch(request, env), port: 0, hostname: '127.0.0.1' },
      ({ port }) =>
        resolve({
          url: `http://127.0.0.1:${port}`,
          renew: () => {
            app = kettleServer(newerVersion());
          },
          close: () =>
            new Promise((done) => {
              (server as Server).closeAllConnections();
              server.close(() => done());
            }),
        }),
    );
  });
}

describe('a newer version', () => {
  inEvidence('is told of when it is ready, and taken when the painter goes to the rack', async () => {
    const server = await versions();
    const profile = await openBrowser();
    const page = await openPage(profile, `${server.url}/card/kettle-in-the-rain/brief`, {
      keepsOffline: true,
    });
    page.setDefaultTimeout(60_000);
    await page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined));
    server.renew();
    await page.reload({ waitUntil: 'load' });
    await seeText(page, 'A newer version of Kettle Drift is ready.');
    expect(await page.title()).not.toContain('Newer');
    await page.locator('.house').click();
    await page.waitForFunction(
      () => document.title.includes('Newer') || document.head.innerHTML.includes('Newer ·'),
    );
    await page.waitForSelector('.stand svg');
    await profile.close();
    await server.close();
  });

  it('that has taken a part away is fetched, and the painter comes where they were going', async () => {
    const server = await versions();
    const profile = await openBrowser();
    // Without what is kept for use without a network: the part is on the server alone.
    const page = await openPage(profile, `${server.url}/card/kettle-in-the-rain/brief`);
    await page.waitForSelector('kd-stream');
    server.renew();
    await station(page, 'finish');
    await page.waitForSelector('kd-finish');
    expect(page.url()).toContain('/finish');
    await profile.close();
    await server.close();
  });
});
