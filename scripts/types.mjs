// Checks the types of every part with the native compiler: what it says of a file is what the framework's own compiler says, sooner.
import { spawnSync } from 'node:child_process';

const COMPILER = 'node_modules/typescript-go/bin/tsc';
/** The core by itself first, since it may use neither the DOM nor Node. */
const PARTS = ['core', '.', 'app', 'app/src/workers'];

const failed = PARTS.filter(
  (part) => spawnSync(process.execPath, [COMPILER, '-p', part], { stdio: 'inherit' }).status !== 0,
);
process.exitCode = failed.length === 0 ? 0 : 1;
