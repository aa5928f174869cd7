import { mkdirSync, mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join, relative } from 'node:path';
import { brotliCompressSync, brotliDecompressSync } from 'node:zlib';
import { beforeAll, describe, expect, it } from 'vitest';
import { kettleServer } from './server';

let ask: (path: string, headers?: Record<string, string>) => Promise<Response>;

beforeAll(() => {
  const root = mkdtempSync(join(tmpdir(), 'kettle-site-'));
  mkdirSync(join(root, 'media'));
  writeFileSync(join(root, 'index.html'), '<!doctype html><title>Kettle Drift</title>');
  writeFileSync(join(root, 'main-ABCDEFGH.js'), 'run()');
  writeFileSync(join(root, 'main-ABCDEFGH.js.br'), brotliCompressSync('run()'));
  const app = kettleServer(relative(process.cwd(), root));
  ask = async (path, headers = {}) => app.request(path, { headers });
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
