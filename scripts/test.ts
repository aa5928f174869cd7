// Every suite, the cheap ones first, and one closing line over all of them.
import { spawn, spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join, relative } from 'node:path';

/** What the test runner reports, as far as it is read. */
interface Report {
  readonly numPassedTests: number;
  readonly numFailedTests: number;
  readonly numFailedTestSuites: number;
  readonly testResults: readonly {
    readonly name: string;
    readonly status: string;
    readonly assertionResults: readonly { readonly status: string; readonly fullName: string }[];
  }[];
}

interface Count {
  passed: number;
  failed: number;
}

const reports = mkdtempSync(join(tmpdir(), 'kettle-tests-'));
const total: Count = { passed: 0, failed: 0 };
const begun = performance.now();
const bySuite: Record<string, { passed: number; failed: number; seconds: number }> = {};
/** What failed, by name. */
const failures: string[] = [];

const since = (startMs: number): number => Math.round((performance.now() - startMs) / 1000);

/** Steps that either hold or do not, side by side; each says its piece when it is over. */
async function steps(commands: Readonly<Record<string, string>>): Promise<void> {
  await Promise.all(
    Object.entries(commands).map(async ([name, command]) => {
      const { status, said } = await saidBy(command);
      console.log(`\n· ${name}${said === '' ? '' : `\n${said}`}`);
      if (status === 0) total.passed++;
      else {
        total.failed++;
        failures.push(name);
        console.log(`· ${name} FAILED`);
      }
    }),
  );
}

/** Runs a command and gathers what it says. */
const saidBy = (command: string): Promise<{ status: number | null; said: string }> =>
  new Promise((resolve) => {
    const run = spawn(command, { shell: true });
    let said = '';
    for (const stream of [run.stdout, run.stderr])
      stream.on('data', (chunk: Buffer) => {
        said += chunk.toString();
      });
    run.on('close', (status) => {
      resolve({ status, said: said.trim() });
    });
  });

/** A suite of tests in so many workers; one that does not start counts as a failure. */
function suite(name: string, projects: string[], workers: number): void {
  console.log(`\n· ${name}`);
  const startedMs = performance.now();
  const report = join(reports, `${projects.join('-')}.json`);
  const flags = projects.map((project) => `--project ${project}`).join(' ');
  const { status } = spawnSync(
    `npx vitest run ${flags} --maxWorkers=${workers} --reporter=dot --reporter=json --outputFile.json=${report}`,
    {
      shell: true,
      stdio: 'inherit',
    },
  );
  try {
    const { numPassedTests, numFailedTests, numFailedTestSuites, testResults } = JSON.parse(
      readFileSync(report, 'utf8'),
    ) as Report;
    for (const { name: file, status: came, assertionResults } of testResults) {
      const failed = assertionResults.filter((test) => test.status === 'failed');
      failures.push(...failed.map(({ fullName }) => fullName));
      if (came === 'failed' && failed.length === 0) failures.push(relative('.', file));
    }
    const unstarted = status !== 0 && numFailedTests === 0 ? Math.max(1, numFailedTestSuites) : 0;
    total.passed += numPassedTests;
    total.failed += numFailedTests + unstarted;
    if (numPassedTests + numFailedTests === 0) total.failed++;
    bySuite[name] = { passed: numPassedTests, failed: numFailedTests + unstarted, seconds: since(startedMs) };
  } catch (cause) {
    console.log(`· ${name} left no report: ${String(cause)}`);
    total.failed++;
  }
}

/** The long evidence runs every journey, and kills more than one browser. */
const KILLS = Number(process.env['KILLS'] ?? 1);

await steps({
  'the app builds': 'npm run -s build',
  'types, lint, order of subjects, parts of the interface':
    'npm run -s types && npm run -s lint && npm run -s test:views',
});
suite('core, kernels, command line, views', ['unit', 'app'], 2);
suite('journeys in the browser', ['e2e'], 2);
if (KILLS > 1) suite('journeys on a failing machine', ['failing'], 2);
suite('journeys against the clock', ['timed'], 1);

// The long evidence asks for the figures of every suite in a file.
if (process.env['REPORT'])
  writeFileSync(
    process.env['REPORT'],
    `${JSON.stringify({ ...total, seconds: since(begun), kills: KILLS, suites: bySuite, failures }, null, 1)}\n`,
  );

for (const name of failures) console.log(`failed · ${name}`);
console.log(`\n${total.passed} passed, ${total.failed} failed`);
process.exitCode = total.failed === 0 ? 0 : 1;
