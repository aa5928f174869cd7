import { describe, expect, it } from 'vitest';
import { applyCommands } from '@kettle/core/plan';
import { loadPaintKernel, panelKernelFromBuild } from '@kettle/kernels/node';
import { kettleInTheRain } from '../../../demo/kettle-in-the-rain';
import type { KeptMoment } from './simulation-api';
import { MOST_MOMENTS } from './painted-ahead';
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

describe('painting a plan ahead', () => {
  it('tells its moments in order, and is the same again', async () => {
    const [one, other]: KeptMoment[][] = [[], []];
    const shares: number[] = [];
    const told = await jobs.rehearse(
      1,
      plan,
      rough,
      (m) => one.push(m),
      (share) => shares.push(share),
    );
    await jobs.rehearse(2, plan, rough, (m) => other.push(m), nothing);
    expect(told).toBe(one.length);
    expect(one.length).toBe(MOST_MOMENTS);
    one.slice(1).forEach((moment, i) => expect(moment.atS).toBeGreaterThan(one[i].atS));
    shares.slice(1).forEach((share, i) => expect(share).toBeGreaterThanOrEqual(shares[i]));
    expect(other.map((m) => m.fingerprint)).toEqual(one.map((m) => m.fingerprint));
    expect(new Set(one.map((m) => m.fingerprint)).size).toBeGreaterThan(30);
    expect(structuredClone(one.at(-1))).toEqual(one.at(-1));
  });

  it('paints a changed plan again only from its change on, and the same as if it were new', async () => {
    const told = async (
      of: typeof jobs,
      what: typeof plan,
    ): Promise<{ moments: KeptMoment[]; steps: number }> => {
      const moments: KeptMoment[] = [];
      let steps = 0;
      await of.rehearse(
        7,
        what,
        { ...rough, seed: 5 },
        (m) => moments.push(m),
        () => steps++,
      );
      return { moments, steps };
    };
    const before = await told(jobs, plan);
    const late = applyCommands(plan, [
      { do: 'change-pass', pass: 'kettle-shade', change: { filmUm: 90 } },
    ]).plan;
    const again = await told(jobs, late);
    const fresh = await told(newJobs(), late);
    expect(again.moments.at(-1)!.fingerprint).toBe(fresh.moments.at(-1)!.fingerprint);
    expect(again.moments[2]).toBe(before.moments[2]);
    expect(again.moments.at(-1)!.fingerprint).not.toBe(before.moments.at(-1)!.fingerprint);
    expect(again.steps).toBeLessThan(fresh.steps / 2);
    expect((await told(jobs, late)).steps).toBeLessThan(3);
  });

  it('does jobs in turn, and leaves out one that was cancelled meanwhile', async () => {
    const done: number[] = [];
    const job = (n: number): Promise<number | null> =>
      jobs.rehearse(n, plan, rough, nothing, nothing).then((told) => {
        done.push(n);
        return told;
      });
    const [first, second, third] = [job(11), job(12), job(13)];
    jobs.cancel(12);
    expect(await Promise.all([first, second, third])).toEqual([MOST_MOMENTS, null, MOST_MOMENTS]);
    expect(done).toEqual([11, 12, 13]);
  });

  it('stops in the middle', async () => {
    const told: number[] = [];
    const answer = await jobs.rehearse(
      21,
      plan,
      // Another sheet: this one has been painted already.
      { ...rough, seed: 2 },
      ({ atS }) => told.push(atS),
      (share) => {
        if (share > 0.3) jobs.cancel(21);
      },
    );
    expect(answer).toBeNull();
    expect(told.length).toBeLessThan(MOST_MOMENTS / 2);
  });

  it('has nothing to tell of a plan without paint, and goes on after a plan it refuses', async () => {
    const bare = applyCommands(
      plan,
      plan.acts.flatMap((act) => (act.kind === 'pass' ? [{ do: 'remove-act' as const, act: act.id }] : [])),
    ).plan;
    const tiny = { cellMm: 0.02, seed: 1 };
    await expect(jobs.rehearse(31, plan, tiny, nothing, nothing)).rejects.toThrow('cellMm');
    expect(await jobs.rehearse(32, bare, rough, nothing, nothing)).toBe(0);
  });

  it('fails when a kernel does not load, rather than guess', async () => {
    const broken = simulationJobs(Promise.reject(new Error('no kernel')), nothingKept);
    await expect(broken.rehearse(1, plan, rough, nothing, nothing)).rejects.toThrow('no kernel');
  });
});
