#!/usr/bin/env node
// Runs the command line from its bundle, and makes that first where there is none or a source is newer. Plain Node only, so that it
// starts at once.
import { existsSync, readdirSync, renameSync, rmSync, statSync } from 'node:fs';
import { fileURLToPath } from 'node:url';

const at = (place) => fileURLToPath(new URL(`../${place}`, import.meta.url));
const BUNDLE = at('dist/kettle');
const MAIN = at('dist/kettle/main.js');
const SOURCES = ['core/src', 'cli/src', 'kernels/src', 'package-lock.json'];

/** When the newest file in or at a place was written, ms. */
function newestIn(place) {
  const about = statSync(place);
  if (!about.isDirectory()) return about.mtimeMs;
  return Math.max(about.mtimeMs, ...readdirSync(place).map((name) => newestIn(`${place}/${name}`)));
}

/** Makes the bundle beside its place and puts it there whole: another may be run meanwhile. */
async function bundle() {
  const { build } = await import('esbuild');
  const fresh = `${BUNDLE}-${process.pid}`;
  await build({
    entryPoints: [at('cli/src/main.ts')],
    outdir: fresh,
    ...{ bundle: true, splitting: true, format: 'esm', platform: 'node', target: 'node20', minify: true },
    mainFields: ['module', 'main'],
    // The kernels lie beside their sources, not beside the bundle; some libraries still ask for their parts by require.
    define: { 'import.meta.url': 'KERNELS' },
    banner: {
      js: [
        "import { createRequire as requiring } from 'node:module';",
        "const KERNELS = new URL('../../kernels/src/load-node.ts', import.meta.url).href;",
        'const require = requiring(import.meta.url);',
      ].join(''),
    },
    logLevel: 'error',
  });
  rmSync(BUNDLE, { recursive: true, force: true });
  try {
    renameSync(fresh, BUNDLE);
  } catch (cause) {
    // Somebody else has put theirs there in this very moment.
    rmSync(fresh, { recursive: true, force: true });
    if (!existsSync(MAIN)) throw cause;
  }
}

const madeMs = existsSync(MAIN) ? statSync(MAIN).mtimeMs : 0;
if (SOURCES.some((place) => newestIn(at(place)) > madeMs)) await bundle();
await import(MAIN);
