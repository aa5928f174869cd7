// Makes a fresh machine ready: installs the packages of the lock file, and with --chromium the browser for the tests.
// Plain Node only, since nothing is installed yet.
import { spawn } from 'node:child_process';
import { existsSync, statSync } from 'node:fs';

const run = (command) =>
  new Promise((done, fail) => {
    spawn(command, { shell: true, stdio: 'inherit' }).on('close', (code) =>
      code === 0 ? done() : fail(new Error(`“${command}” ended with ${code}`)),
    );
  });
const MARK = 'node_modules/.package-lock.json';

const installed = existsSync(MARK) && statSync(MARK).mtimeMs >= statSync('package-lock.json').mtimeMs - 1000;
const packages = installed ? null : run('npm ci --no-audit --no-fund');

const chromium = process.env.CHROMIUM ?? '/usr/lib/chromium/chromium-headless-shell';
if (process.argv.includes('--chromium') && !existsSync(chromium)) {
  console.log('The browser tests need Chromium; installing it.');
  // What Chromium only recommends, a desktop's files and printers, no test asks for.
  await run('apt-get update -qq && apt-get install -y -qq --no-install-recommends chromium-headless-shell');
}
await packages;
