import { mkdirSync, mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join, relative } from 'node:path';
import { brotliCompressSync, brotliDecompressSync } from 'node:zlib';
import { beforeAll, describe, expect, it } from 'vitest';
import { kettleServer } from './server';

let ask: (path: string, headers?: Record<string, string>, method?: string) => Promise<Response>;

let named: ReturnType<typeof kettleServer>;

beforeAll(() => {
  const root = mkdtempSync(join(tmpdir(), 'kettle-site-'));
  mkdirSync(join(root, 'media'));
  writeFileSync(join(root, 'index.html'), '<!doctype html><title>Kettle Drift</title>');
  writeFileSync(join(root, 'main-ABCDEFGH.js'), 'run()');
  writeFileSync(join(root, 'main-ABCDEFGH.js.br'), brotliCompressSync('run()'));
  const app = kettleServer(relative(process.cwd(), root));
  named = kettleServer(relative(process.cwd(), root), ['easel.home']);
  ask = async (path, headers = {}, method = 'GET') => app.request(path, { headers, method });
});

describe('the server', () => {
  it('answers every address of the app with the page, and no missing file', async () => {
    for (const path of ['/', '/rack', '/card/kettle-in-the-rain/passes']) {
      const answer = await ask(path);
      expect(answer.status).toBe(200);
      expect(await answer.text()).toContain('Kettle Drift');
    }
    expect((await ask('/gone.js')).status).toBe(404);
    expect((await ask('/../package.json')).status).toBe(404);
  });

  it('hands out the packed copy to those who read it', async () => {
    const answer = await ask('/main-ABCDEFGH.js', { 'accept-encoding': 'br' });
    expect(answer.headers.get('content-encoding')).toBe('br');
    expect(brotliDecompressSync(new Uint8Array(await answer.arrayBuffer())).toString()).toBe('run()');
    expect(await (await ask('/main-ABCDEFGH.js')).text()).toBe('run()');
  });

  it('lets a browser keep hashed files for good, and nothing else', async () => {
    expect((await ask('/main-ABCDEFGH.js')).headers.get('cache-control')).toContain('immutable');
    expect((await ask('/')).headers.get('cache-control')).toBe('no-cache');
    // A file of an older version that is asked for in vain may be there again tomorrow.
    const gone = await ask('/gone-ABCDEFGH.js');
    expect([gone.status, gone.headers.get('cache-control')]).toEqual([404, 'no-cache']);
  });

  it('tells a file by its content, and sends it once', async () => {
    for (const path of ['/', '/main-ABCDEFGH.js']) {
      const first = await ask(path);
      const tag = first.headers.get('etag')!;
      expect(tag).toMatch(/^(W\/)?".+"$/);
      const again = await ask(path, { 'if-none-match': tag });
      expect([again.status, await again.text()]).toEqual([304, '']);
      expect(again.headers.get('cache-control')).toBe(first.headers.get('cache-control'));
      expect((await ask(path, { 'if-none-match': '"other"' })).status).toBe(200);
    }
  });

  it('hands out whole files, whatever part is asked for', async () => {
    for (const range of ['bytes=0-1', 'bytes=9-1', 'lines=1-2', 'bytes=a-b', 'bytes=900-']) {
      const answer = await ask('/main-ABCDEFGH.js', { range });
      expect([answer.status, await answer.text()]).toEqual([200, 'run()']);
    }
  });

  it('can be read and nothing else', async () => {
    for (const method of ['POST', 'PUT', 'DELETE', 'PATCH', 'OPTIONS']) {
      const answer = await ask('/', {}, method);
      expect([answer.status, answer.headers.get('allow')]).toEqual([405, 'GET, HEAD']);
    }
    const head = await ask('/', {}, 'HEAD');
    expect([head.status, await head.text()]).toEqual([200, '']);
  });

  it('answers to the names of this machine, to those it is given, and to no other', async () => {
    for (const host of ['localhost:4310', '127.0.0.1:80', '[::1]:4310', 'LOCALHOST'])
      expect((await ask('/', { host })).status).toBe(200);
    for (const host of ['kettle.example', 'localhost.kettle.example:4310'])
      expect((await ask('/', { host })).status).toBe(421);
    expect((await named.request('/', { headers: { host: 'easel.home:4310' } })).status).toBe(200);
  });

  it('isolates the page and lets nothing in from outside', async () => {
    const { headers } = await ask('/');
    expect(headers.get('cross-origin-opener-policy')).toBe('same-origin');
    expect(headers.get('cross-origin-embedder-policy')).toBe('require-corp');
    expect(headers.get('strict-transport-security')).toBeNull();
    const policy = headers.get('content-security-policy')!;
    expect(policy).toContain("default-src 'none'");
    expect(policy).toContain("script-src 'self' 'wasm-unsafe-eval'");
    expect(policy).not.toMatch(/https?:/);
  });
});
