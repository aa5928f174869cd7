// Lays a brotli copy beside every text file of the built app, for the server to hand out.
import { readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { brotliCompressSync, constants } from 'node:zlib';

const ROOT = 'dist/app/browser';
const TEXT = /\.(?:js|css|html|json|svg|webmanifest|wasm)$/;

for (const entry of readdirSync(ROOT, { recursive: true, withFileTypes: true })) {
  if (!entry.isFile() || !TEXT.test(entry.name)) continue;
  const path = join(entry.parentPath ?? entry.path, entry.name);
  const packed = brotliCompressSync(readFileSync(path), { params: { [constants.BROTLI_PARAM_QUALITY]: 11 } });
  writeFileSync(`${path}.br`, packed);
}
