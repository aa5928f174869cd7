// Bundles the service worker, with the list of all files that it keeps for use without a network.
import { createHash } from 'node:crypto';
import { readdirSync, readFileSync } from 'node:fs';
import { join, relative } from 'node:path';
import { build } from 'esbuild';

const ROOT = 'dist/app/browser';
const NAME = 'service-worker.js';
const HASHED = /-[A-Z0-9]{8}\.(?:js|css|woff2)$/;
const NOT_KEPT = new RegExp(`\\.br$|\\.map$|^${NAME}$`);

const files = readdirSync(ROOT, { recursive: true, withFileTypes: true })
  .filter((entry) => entry.isFile())
  .map((entry) => relative(ROOT, join(entry.parentPath ?? entry.path, entry.name)))
  .filter((name) => !NOT_KEPT.test(name))
  .sort()
  .map((name) => ({
    url: `/${name}`,
    revision: HASHED.test(name)
      ? null
      : createHash('sha256')
          .update(readFileSync(join(ROOT, name)))
          .digest('hex'),
  }));

await build({
  entryPoints: ['app/src/workers/offline.worker.ts'],
  outfile: join(ROOT, NAME),
  bundle: true,
  minify: true,
  define: { PROGRAM_FILES: JSON.stringify(files), 'process.env.NODE_ENV': '"production"' },
});
