// The files of the built program: which it cannot start without, and all the others.
import { readdirSync, readFileSync } from 'node:fs';
import { join, relative } from 'node:path';

/** Where the built program lies. */
export const ROOT = 'dist/app/browser';
/** Names that the build makes from the content. */
export const HASHED = /-[A-Z0-9]{8}\.(?:js|css|woff2)$/;
const NOT_KEPT = /\.br$|\.map$|^service-worker\.js$/;

/** Every file, by its name under the root. */
export const allFiles = () =>
  readdirSync(ROOT, { recursive: true, withFileTypes: true })
    .filter((entry) => entry.isFile())
    .map((entry) => relative(ROOT, join(entry.parentPath ?? entry.path, entry.name)))
    .filter((name) => !NOT_KEPT.test(name))
    .sort();

/** These files and all that they import outright. */
export function withImports(names) {
  const found = new Set();
  const open = [...names];
  for (let name = open.pop(); name !== undefined; name = open.pop()) {
    if (found.has(name)) continue;
    found.add(name);
    if (name.endsWith('.js'))
      open.push(
        ...[...readFileSync(join(ROOT, name), 'utf8').matchAll(/(?:from|import)"\.\/([^"]+\.js)"/g)].map(
          ([, next]) => next,
        ),
      );
  }
  return found;
}

/** What the page names outright: it cannot start without. */
export const namedByPage = () =>
  [...readFileSync(join(ROOT, 'index.html'), 'utf8').matchAll(/(?:src|href)="([^"]+\.(?:js|css))"/g)].map(
    ([, name]) => name,
  );
