import { describe, expect, it } from 'vitest';
import { applyCommands } from '@kettle/core/document/plan';
import { loadPaintKernel, panelKernelFromBuild } from '@kettle/kernels/node';
import { kettleInTheRain } from '../../../demo/kettle-in-the-rain';
import { ask, watched } from '../testing/ask';
import { jobHost } from './jobs';
import type { KeptMoment } from './simulation-api';
import { GLANCE_MOMENTS } from './painted-ahead';
import { simulationJobs } from './simulation-jobs';

const plan = kettleInTheRain();
const rough = { cellMm: 3, seed: 1 };
const nothingKept = { load: () => Promise.resolve(null) };
const newJobs = () =>
  simulationJobs(
    loadPaintKernel().then((paint) => ({ panel: panelKernelFromBuild(), paint })),
    nothingKept,
  );
const jobs = newJobs();
const nothing = (): void => undefined;

/** The moments told while a plan is painted, and how it went. */
async function painted(of: typeof jobs, what: typeof plan, seed = 1, stopBeyond = Infinity) {
  const moments: KeptMoment[] = [];
  const work = of.rehearse({ plan: what, setting: { ...rough, seed } }, (moment) => moments.push(moment));
  return { moments, ...(await watched(work, stopBeyond)) };
}

describe('painting a plan ahead', () => {
  it('tells its moments in order, and is the same again', async () => {
    const { answer, moments: one, shares } = await painted(jobs, plan);
    const { moments: other } = await painted(jobs, plan);
    expect(answer).toBe(one.length);
    expect(one.length).toBe(GLANCE_MOMENTS);
    one.slice(1).forEach((moment, i) => expect(moment.atS).toBeGreaterThan(one[i].atS));
    shares.slice(1).forEach((share, i) => expect(share).toBeGreaterThanOrEqual(shares[i]));
    expect(other.map((m) => m.fingerprint)).toEqual(one.map((m) => m.fingerprint));
    expect(new Set(one.map((m) => m.fingerprint)).size).toBeGreaterThan(15);
    expect(structuredClone(one.at(-1))).toEqual(one.at(-1));
  });

  it('paints a changed plan again only from its change on, and the same as if it were new', async () => {
    const before = await painted(jobs, plan, 5);
    const late = applyCommands(plan, [
      { do: 'change-pass', pass: 'kettle-shade', change: { filmUm: 90 } },
    ]).plan;
    const again = await painted(jobs, late, 5);
    const fresh = await painted(newJobs(), late, 5);
    expect(again.moments.at(-1)!.fingerprint).toBe(fresh.moments.at(-1)!.fingerprint);
    expect(again.moments[2]).toBe(before.moments[2]);
    expect(again.moments.at(-1)!.fingerprint).not.toBe(before.moments.at(-1)!.fingerprint);
    // Making ready tells no share.
    const steps = ({ shares }: typeof fresh): number => shares.filter((share) => share > 0).length;
    expect(steps(again)).toBeLessThan(steps(fresh) / 2);
    expect(steps(await painted(jobs, late, 5))).toBe(0);
  });

  it('stops in the middle, and what is asked next is whole', async () => {
    // Another sheet: the first has been painted already.
    const { answer, moments } = await painted(jobs, plan, 2, 0.3);
    expect(answer).toBeNull();
    expect(moments.length).toBeLessThan(GLANCE_MOMENTS / 2);
    const again = await painted(jobs, plan, 2);
    const fresh = await painted(newJobs(), plan, 2);
    expect(again.moments.map((m) => m.fingerprint)).toEqual(fresh.moments.map((m) => m.fingerprint));
  });

  it('does jobs in turn, and leaves out one that was cancelled meanwhile', async () => {
    const host = jobHost(jobs);
    const over: number[] = [];
    const job = (n: number): Promise<unknown> =>
      host
        .run({ job: n, name: 'rehearse', asked: { plan, setting: rough }, rank: 'hand' }, nothing)
        .then((told) => {
          over.push(n);
          return told && told.answer;
        });
    const [first, second, third] = [job(11), job(12), job(13)];
    host.cancel(12);
    expect(await Promise.all([first, second, third])).toEqual([GLANCE_MOMENTS, null, GLANCE_MOMENTS]);
    expect(over.filter((n) => n !== 12)).toEqual([11, 13]);
  });

  it('has nothing to tell of a plan without paint, and goes on after a plan it refuses', async () => {
    const bare = applyCommands(
      plan,
      plan.acts.flatMap((act) => (act.kind === 'pass' ? [{ do: 'remove-act' as const, act: act.id }] : [])),
    ).plan;
    const tiny = { plan, setting: { cellMm: 0.02, seed: 1 } };
    await expect(ask(jobs.rehearse(tiny, nothing))).rejects.toThrow('cellMm');
    expect((await painted(jobs, bare)).answer).toBe(0);
  });

  it('fails when a kernel does not load, rather than guess', async () => {
    const broken = simulationJobs(Promise.reject(new Error('no kernel')), nothingKept);
    await expect(broken.rehearse({ plan, setting: rough }, nothing)).rejects.toThrow('no kernel');
  });
});
