// Bundles the service worker, with the lists of the files that it keeps for use without a network.
import { createHash } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { build } from 'esbuild';
import { allFiles, HASHED, namedByPage, ROOT, withImports } from './program-files.mjs';

/** Beside what the page names: fonts, kernels, the demo cards, and whatever has no hash in its name. */
const isFirst = (name) => !HASHED.test(name) || name.startsWith('media/');
const files = allFiles();
const first = withImports(namedByPage());
const firstFiles = files
  .filter((name) => first.has(name) || isFirst(name))
  .map((name) => ({
    url: `/${name}`,
    revision: HASHED.test(name)
      ? null
      : createHash('sha256')
          .update(readFileSync(join(ROOT, name)))
          .digest('hex'),
  }));
const kept = new Set(firstFiles.map(({ url }) => url));

await build({
  entryPoints: ['app/src/workers/offline.worker.ts'],
  outfile: join(ROOT, 'service-worker.js'),
  bundle: true,
  minify: true,
  define: {
    FIRST_FILES: JSON.stringify(firstFiles),
    OTHER_FILES: JSON.stringify(files.map((name) => `/${name}`).filter((url) => !kept.has(url))),
    'process.env.NODE_ENV': '"production"',
  },
});
console.log(`service worker: ${firstFiles.length} files first, ${files.length - firstFiles.length} after`);
