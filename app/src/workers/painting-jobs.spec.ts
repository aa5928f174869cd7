import { releaseProxy } from 'comlink';
import { expect, it } from 'vitest';
import { newSheet } from '@kettle/core/advice/trials';
import { loadPaintKernel, panelKernelFromBuild } from '@kettle/kernels/node';
import { kettleInTheRain } from '../../../demo/kettle-in-the-rain';
import type { OpenedSheet } from './painting-api';
import { paintingJobs } from './painting-jobs';

const plan = kettleInTheRain();
const sheet = (key: string): OpenedSheet => ({
  ...{ trial: newSheet(plan, { id: key, name: key, cellMm: 2 }), embedded: plan.embedded, key, atS: null },
});
const kernels = loadPaintKernel().then((paint) => ({ panel: panelKernelFromBuild(), paint }));
const papers = {
  load: () => Promise.resolve(null),
  save: () => Promise.resolve(),
  forget: () => Promise.resolve(),
};

/** A listener of the page as the worker has it: released once, and of no use after. */
function listener() {
  const state = { released: 0 };
  const hears = Object.assign(
    () => {
      if (state.released > 0) throw new Error('it was let go');
    },
    {
      [releaseProxy]: () => {
        state.released++;
      },
    },
  );
  return { hears, state };
}

it('lets each listener go once, as its sheet leaves the table', async () => {
  const jobs = paintingJobs(kernels, papers);
  const [one, other, progress] = [listener(), listener(), listener()];
  await jobs.open(sheet('one'), one.hears, progress.hears);
  expect(progress.state.released).toBe(1);
  await jobs.close();
  await jobs.open(sheet('other'), other.hears, listener().hears);
  await jobs.close();
  await jobs.close();
  expect([one.state.released, other.state.released]).toEqual([1, 1]);
});

it('lays the sheet that was opened last, whichever is ready last', async () => {
  let slow: () => void = () => undefined;
  const kept: string[] = [];
  const jobs = paintingJobs(kernels, {
    ...papers,
    load: (key) =>
      key === 'slow'
        ? new Promise((resolve) => {
            slow = () => {
              resolve(null);
            };
          })
        : papers.load(),
    save: ({ key }) => {
      kept.push(key);
      return papers.save();
    },
  });
  const [one, other] = [listener(), listener()];
  const first = jobs.open(sheet('slow'), one.hears, listener().hears);
  await jobs.open(sheet('quick'), other.hears, listener().hears);
  slow();
  await first;
  await jobs.keep();
  expect(kept).toEqual(['quick']);
  expect([one.state.released, other.state.released]).toEqual([1, 0]);
});
