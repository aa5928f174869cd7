import { beforeAll, describe, expect, it } from 'vitest';
import { labOfHex } from '@kettle/core/colour';
import { paperById } from '@kettle/core/paper';
import { matchColour, pigmentByCode, type MatchRequest } from '@kettle/core/pigment';
import { layOut } from '@kettle/core/schedule';
import { dampCreep, plainLineKernel } from '@kettle/core/water';
import { loadLineKernel } from '@kettle/kernels/node';
import { kettleInTheRain } from '../../../demo/kettle-in-the-rain';
import type { TableApi } from './table-api';
import { tableJobs } from './table-jobs';

let jobs: TableApi;
const plan = kettleInTheRain();
const request: MatchRequest = {
  target: labOfHex('#7d8f6a'),
  palette: ['PY150', 'PB29', 'PR122', 'PBr7-burnt-sienna'].map((code) => pigmentByCode(code)),
  paper: paperById('cotton-cold-300'),
};

beforeAll(() => {
  jobs = tableJobs(loadLineKernel());
});

describe('looking ahead', () => {
  it('answers for the snapshot it was given, under its revision, with the compiled kernel', async () => {
    const answer = await jobs.lookAhead(plan, 41);
    expect(answer.revision).toBe(41);
    expect(answer.kernel).toBe('wasm');
    expect(answer.timeline).toEqual(layOut(plan));
    expect([...answer.looks.keys()]).toEqual(plan.areas.map(({ id }) => id));
  });

  it('tells the creep of every pass, as the plain twin has it', async () => {
    const { creepMm } = await jobs.lookAhead(plan, 1);
    const passes = plan.acts.flatMap((act) => (act.kind === 'pass' ? [act] : []));
    expect([...creepMm.keys()]).toEqual(passes.map(({ id }) => id));
    const [paper] = plan.embedded.papers;
    for (const { id, filmUm } of passes)
      expect(creepMm.get(id)).toBeCloseTo(dampCreep(paper, filmUm, plan.climate, plainLineKernel), 9);
  });

  it('survives the way to the page and back', async () => {
    const answer = await jobs.lookAhead(plan, 7);
    expect(structuredClone(answer)).toEqual(answer);
  });

  it('fails when the kernel does not load, rather than guess', async () => {
    const broken = tableJobs(Promise.reject(new Error('no kernel')));
    await expect(broken.lookAhead(plan, 1)).rejects.toThrow('no kernel');
  });
});

describe('searching a mix', () => {
  it('finds what the core finds, and reports on the way', async () => {
    const shares: number[] = [];
    const answer = await jobs.matchColour(1, request, (share) => shares.push(share));
    expect(answer).toEqual(matchColour(request));
    expect(shares.length).toBeGreaterThan(10);
    expect(shares).toEqual([...shares].sort((a, b) => a - b));
  });

  it('stops in the middle when cancelled, and only that job', async () => {
    const shares: number[] = [];
    const stopped = jobs.matchColour(2, request, (share) => {
      shares.push(share);
      if (share > 0.3) jobs.cancel(2);
    });
    const other = jobs.matchColour(3, request, () => undefined);
    expect(await stopped).toBeNull();
    expect(Math.max(...shares)).toBeLessThan(0.5);
    expect(await other).not.toBeNull();
  });

  it('lets a look ahead in between: a long search does not hold the drift line up', async () => {
    let done = false;
    const search = jobs.matchColour(4, request, () => undefined).then(() => (done = true));
    await jobs.lookAhead(plan, 9);
    expect(done).toBe(false);
    await search;
  });
});
