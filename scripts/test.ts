// Every suite, the cheap ones first, and one closing line over all of them.
import { spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

interface Count {
  passed: number;
  failed: number;
}

const reports = mkdtempSync(join(tmpdir(), 'kettle-tests-'));
const total: Count = { passed: 0, failed: 0 };

/** A step that either holds or does not. */
function step(name: string, command: string): void {
  console.log(`\n· ${name}`);
  const held = spawnSync(command, { shell: true, stdio: 'inherit' }).status === 0;
  if (held) total.passed++;
  else total.failed++;
  if (!held) console.log(`· ${name} FAILED`);
}

/** A suite of tests; one that does not start counts as a failure. */
function suite(name: string, projects: string[]): void {
  console.log(`\n· ${name}`);
  const report = join(reports, `${name}.json`);
  const flags = projects.map((project) => `--project ${project}`).join(' ');
  const { status } = spawnSync(`npx vitest run ${flags} --reporter=dot --reporter=json --outputFile.json=${report}`, {
    shell: true,
    stdio: 'inherit',
  });
  try {
    const { numPassedTests, numFailedTests, numFailedTestSuites } = JSON.parse(readFileSync(report, 'utf8')) as Record<string, number>;
    const unstarted = status !== 0 && numFailedTests === 0 ? Math.max(1, numFailedTestSuites) : 0;
    total.passed += numPassedTests;
    total.failed += numFailedTests + unstarted;
    if (numPassedTests + numFailedTests === 0) total.failed++;
  } catch (cause) {
    console.log(`· ${name} left no report: ${String(cause)}`);
    total.failed++;
  }
}

step('kernels', 'npm run -s kernels');
step('types', 'npm run -s types');
suite('core, kernels, command line, state', ['unit', 'app']);
step('lint and order of subjects', 'npm run -s lint');
step('the app builds', 'npm run -s build');
suite('journeys in the browser', ['e2e']);

console.log(`\n${total.passed} passed, ${total.failed} failed`);
process.exitCode = total.failed === 0 ? 0 : 1;
