// Lays a brotli copy beside every text file of the built app, for the server to hand out.
import { readdirSync } from 'node:fs';
import { readFile, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import { promisify } from 'node:util';
import { brotliCompress, constants } from 'node:zlib';

const ROOT = 'dist/app/browser';
const TEXT = /\.(?:js|css|html|json|svg|webmanifest|wasm)$/;

const packed = promisify(brotliCompress);
const files = readdirSync(ROOT, { recursive: true, withFileTypes: true })
  .filter((entry) => entry.isFile() && TEXT.test(entry.name))
  .map((entry) => join(entry.parentPath ?? entry.path, entry.name));

// As many at once as the machine has threads for.
await Promise.all(
  files.map(async (path) =>
    writeFile(
      `${path}.br`,
      await packed(await readFile(path), { params: { [constants.BROTLI_PARAM_QUALITY]: 11 } }),
    ),
  ),
);
