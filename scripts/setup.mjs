// Makes a fresh machine ready: installs the packages of the lock file, and with --chromium the browser for the tests.
// Plain Node only, since nothing is installed yet.
import { execSync } from 'node:child_process';
import { existsSync, statSync } from 'node:fs';

const run = (command) => execSync(command, { stdio: 'inherit' });
const MARK = 'node_modules/.package-lock.json';

const installed = existsSync(MARK) && statSync(MARK).mtimeMs >= statSync('package-lock.json').mtimeMs - 1000;
if (!installed) run('npm ci --no-audit --no-fund');

const chromium = process.env.CHROMIUM ?? '/usr/bin/chromium';
if (process.argv.includes('--chromium') && !existsSync(chromium)) {
  console.log('The browser tests need Chromium; installing it.');
  run('apt-get update -qq && apt-get install -y -qq chromium');
}
