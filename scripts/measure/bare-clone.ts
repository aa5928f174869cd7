import { execSync, spawn, spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { openBrowser, openPage, seeText } from '../../e2e/browser';

const PORT = 4399;
const URL_OF_DEMO = `http://127.0.0.1:${PORT}/`;
const GIVE_UP_S = 600;

const secondsSince = (begun: number): number => Math.round((performance.now() - begun) / 100) / 10;

/** From a bare clone of what is committed: time until the demo answers and shows its card, and time and result of `npm test`. */
export async function measureBareClone(): Promise<object> {
  const folder = mkdtempSync(join(tmpdir(), 'kettle-clone-'));
  try {
    execSync(`git clone -q . ${folder}`);
    const demo = await timeDemo(folder);
    const begun = performance.now();
    const { status, stdout } = spawnSync('npm', ['test'], { cwd: folder, encoding: 'utf8', maxBuffer: 1e9 });
    const line = stdout.trimEnd().split('\n').at(-1);
    return { ...demo, testS: secondsSince(begun), testExit: status, testLine: line };
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}

async function timeDemo(folder: string): Promise<object> {
  const begun = performance.now();
  const demo = spawn('npm', ['run', 'demo'], {
    cwd: folder,
    env: { ...process.env, PORT: String(PORT) },
    detached: true,
    stdio: 'ignore',
  });
  try {
    while (!(await answers())) {
      if (secondsSince(begun) > GIVE_UP_S) throw new Error('the demo did not answer');
      await new Promise((resolve) => setTimeout(resolve, 250));
    }
    const demoAnswersS = secondsSince(begun);
    const profile = await openBrowser();
    try {
      await seeText(await openPage(profile, URL_OF_DEMO), 'Kettle in the rain');
    } finally {
      await profile.close();
    }
    return { demoAnswersS, demoTitleS: secondsSince(begun) };
  } finally {
    process.kill(-demo.pid!, 'SIGTERM');
  }
}

const answers = (): Promise<boolean> =>
  fetch(URL_OF_DEMO).then(
    ({ status }) => status === 200,
    () => false,
  );
