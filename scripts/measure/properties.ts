import { spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Measured } from './limits';
import { randomFrom } from './random';

/** Rounds with other seeds than the everyday one. */
const ROUNDS = 6;

/** Every suite that draws cases, again and again with seeds of its own; the first seed comes from the clock. */
export function measureProperties(): Measured {
  const { stdout } = spawnSync(
    'grep',
    ['-rl', '--include=*.spec.ts', 'fast-check', 'core', 'cli', 'app/src'],
    {
      encoding: 'utf8',
    },
  );
  const files = stdout.trim().split('\n');
  const first = Date.now() % 2_147_483_647;
  const next = randomFrom(first);
  const figures = { firstSeed: first, rounds: ROUNDS, suites: files.length, passed: 0, failed: 0 };
  for (let round = 0; round < ROUNDS; round++) {
    const report = join(mkdtempSync(join(tmpdir(), 'kettle-seeds-')), 'report.json');
    const seed = Math.floor(next() * 2_147_483_647);
    spawnSync(
      'npx',
      ['vitest', 'run', '--project', 'unit', '--reporter=json', `--outputFile.json=${report}`, ...files],
      { env: { ...process.env, SEED: String(seed) } },
    );
    const { numPassedTests, numFailedTests } = JSON.parse(readFileSync(report, 'utf8')) as Record<
      string,
      number
    >;
    figures.passed += numPassedTests;
    figures.failed += numFailedTests;
    if (numFailedTests > 0) console.log(`  seed ${seed} fails`);
  }
  return { figures, below: { failed: 1 }, above: { passed: ROUNDS } };
}
