// The long evidence: every suite with many more kills, then figures written to docs/measurements.
import { spawnSync } from 'node:child_process';
import { mkdirSync, writeFileSync } from 'node:fs';
import { lineKernelRatio } from '../bench/line-kernel';
import { openBrowser, serveApp } from '../e2e/browser';
import { firstVisit } from '../e2e/first-visit';
import { measureBareClone } from './measure/bare-clone';
import { measureDrying } from './measure/drying';
import { measurePigments } from './measure/pigments';

const FOLDER = 'docs/measurements';
/** Tabs killed in mid-stroke, and as many in mid-sitting. */
const KILLS = '20';

mkdirSync(FOLDER, { recursive: true });
const keep = (name: string, figures: object): void => {
  writeFileSync(`${FOLDER}/${name}.json`, `${JSON.stringify(figures, null, 1)}\n`);
  console.log(`· ${name} measured`);
};

const { status } = spawnSync('tsx', ['scripts/test.ts'], {
  stdio: 'inherit',
  env: { ...process.env, KILLS, REPORT: `${FOLDER}/suites.json` },
});

keep('drying', measureDrying());
keep('pigments', measurePigments());
keep('line-kernel', await lineKernelRatio());
keep('first-visit', await measureFirstVisit());
keep('bare-clone', await measureBareClone());

process.exitCode = status ?? 1;

async function measureFirstVisit(): Promise<object> {
  const served = await serveApp();
  const profile = await openBrowser();
  try {
    return await firstVisit(profile, served.url);
  } finally {
    await profile.close();
    await served.close();
  }
}
