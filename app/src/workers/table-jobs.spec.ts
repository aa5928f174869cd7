import { beforeAll, describe, expect, it } from 'vitest';
import { labOfHex } from '@kettle/core/colour';
import { packResists } from '@kettle/core/masking';
import { paperById } from '@kettle/core/paper';
import {
  calibrate,
  choosePaletteFrom,
  matchColour,
  pigmentByCode,
  PIGMENTS,
  type MatchRequest,
} from '@kettle/core/pigment';
import { NEW_STUDIO } from '@kettle/core/plan';
import { layOut } from '@kettle/core/schedule';
import { dampCreep, plainLineKernel } from '@kettle/core/water';
import { loadLineKernel } from '@kettle/kernels/node';
import { kettleInTheRain } from '../../../demo/kettle-in-the-rain';
import { reckonColours } from './colour-reckoning';
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

describe('the colours of a card', () => {
  it('are reckoned as the core has them, masks by hand unpacked on the way', async () => {
    const found = await jobs.reckonColours(
      { ...plan, resists: [] },
      packResists(plan.resists),
      NEW_STUDIO.dish,
    );
    expect(found).toEqual(reckonColours(plan, NEW_STUDIO.dish));
    expect(structuredClone(found)).toEqual(found);
  });

  it('a dish tells its reach, and a box three palettes for a mood, or nothing when it is cancelled', async () => {
    // Another palette than the searches below, whose table is not to lie ready.
    const few = request.palette.slice(0, 3);
    const regions = await jobs.reach(few, request.paper, 60);
    expect(regions.length).toBeGreaterThan(0);
    const mood = { light: 0.6, warm: 0.5, strong: 0.5 };
    const shares: number[] = [];
    const found = await jobs.suggest(71, few, request.paper, mood, (share) => shares.push(share));
    expect(found).toHaveLength(3);
    expect([...shares].sort((a, b) => a - b)).toEqual(shares);
    jobs.cancel(72);
    expect(
      await jobs.suggest(72, [...few, pigmentByCode('PO48')], request.paper, mood, () => undefined),
    ).toBeNull();
  });
});

const DESK = { dish: NEW_STUDIO.dish, letter: NEW_STUDIO.letter, evenings: [], today: '2026-03-02' };

describe('looking ahead', () => {
  it('answers for the snapshot it was given, under its revision, with the compiled kernel', async () => {
    const answer = await jobs.lookAhead(plan, packResists(plan.resists), 41, DESK);
    expect(answer.revision).toBe(41);
    expect(answer.kernel).toBe('wasm');
    expect(answer.timeline).toEqual(layOut(plan));
    expect([...answer.looks.keys()]).toEqual(plan.areas.map(({ id }) => id));
  });

  it('tells the creep of every pass, as the plain twin has it', async () => {
    const { creepMm } = await jobs.lookAhead(plan, packResists(plan.resists), 1, DESK);
    const passes = plan.acts.flatMap((act) => (act.kind === 'pass' ? [act] : []));
    expect([...creepMm.keys()]).toEqual(passes.map(({ id }) => id));
    const [paper] = plan.embedded.papers;
    for (const { id, filmUm } of passes)
      expect(creepMm.get(id)).toBeCloseTo(dampCreep(paper, filmUm, plan.climate, plainLineKernel), 9);
  });

  it('survives the way to the page and back', async () => {
    const answer = await jobs.lookAhead(plan, packResists(plan.resists), 7, DESK);
    expect(structuredClone(answer)).toEqual(answer);
  });

  it('fails when the kernel does not load, rather than guess', async () => {
    const broken = tableJobs(Promise.reject(new Error('no kernel')));
    await expect(broken.lookAhead(plan, packResists(plan.resists), 1, DESK)).rejects.toThrow('no kernel');
  });
});

describe('searching a mix', () => {
  /** A palette of its own has no table yet, so that there is something to watch. */
  const fresh = (fourth: string): MatchRequest => ({
    ...request,
    palette: [
      ...request.palette.slice(0, 3),
      pigmentByCode(fourth),
      pigmentByCode('PV23'),
      pigmentByCode('PG7'),
    ],
  });

  it('finds what the core finds, and reports on the way', async () => {
    const shares: number[] = [];
    const answer = await jobs.matchColour(1, request, (share) => shares.push(share));
    expect(answer).toEqual(matchColour(request));
    expect(shares.length).toBeGreaterThan(1);
    expect(shares).toEqual([...shares].sort((a, b) => a - b));
  });

  it('keeps the table for the next colour of the same palette', async () => {
    await jobs.matchColour(5, request, () => undefined);
    const shares: number[] = [];
    const target = labOfHex('#a08050');
    const answer = await jobs.matchColour(6, { ...request, target }, (share) => shares.push(share));
    expect(shares).toEqual([]);
    expect(answer).toEqual(matchColour({ ...request, target }));
  });

  it('stops in the middle when cancelled, and only that job', async () => {
    const shares: number[] = [];
    const stopped = jobs.matchColour(2, fresh('PY3'), (share) => {
      shares.push(share);
      if (share > 0.3) jobs.cancel(2);
    });
    const other = jobs.matchColour(3, fresh('PY42'), () => undefined);
    expect(await stopped).toBeNull();
    expect(Math.max(...shares)).toBeLessThan(0.6);
    expect(await other).not.toBeNull();
  });

  it('lets a look ahead in between: a long search does not hold the drift line up', async () => {
    let done = false;
    const search = jobs.matchColour(4, fresh('PR254'), () => undefined).then(() => (done = true));
    await jobs.lookAhead(plan, packResists(plan.resists), 9, DESK);
    expect(done).toBe(false);
    await search;
  });
});

describe('choosing a palette', () => {
  const box = PIGMENTS.slice(0, 10);
  const asked = { targets: [labOfHex('#c7a23a'), labOfHex('#7c3b2e')], size: 2 };

  it('answers as the core does, its progress rising', async () => {
    const shares: number[] = [];
    const answer = await jobs.choosePalette(7, box, request.paper, asked, (share) => shares.push(share));
    expect(answer).toEqual(choosePaletteFrom(box, request.paper, asked));
    expect(shares).toEqual([...shares].sort((a, b) => a - b));
    expect(shares.at(-1)).toBeGreaterThan(0.8);
  });

  it('stops while it colours the box', async () => {
    const other = PIGMENTS.slice(10, 22);
    const answer = await jobs.choosePalette(8, other, request.paper, asked, (share) => {
      if (share > 0.2) jobs.cancel(8);
    });
    expect(answer).toBeNull();
  });
});

it('fits a pigment to swatches', async () => {
  const like = pigmentByCode('PB29');
  const swatches = [
    { strength: 1, lab: labOfHex('#2b3f9e'), ground: 'paper' as const },
    { strength: 0.1, lab: labOfHex('#9fb6e0'), ground: 'paper' as const },
  ];
  expect(await jobs.calibrate(like, request.paper, swatches)).toEqual(
    calibrate(like, request.paper, swatches),
  );
});

it('puts copies in order, and says in words of a card that has nothing to paint', async () => {
  const desk = { ...NEW_STUDIO, today: '2026-03-02' };
  const two = { ...plan, brief: { ...plan.brief, copies: 2, spares: 0 }, resists: [] };
  const shares: number[] = [];
  const found = await jobs.batch(81, [two], [packResists(plan.resists)], desk, (share) => shares.push(share));
  expect(found).toMatchObject({ copies: 2 });
  expect(structuredClone(found)).toEqual(found);
  expect(shares.length).toBeGreaterThan(0);
  const empty = { ...two, title: 'Bare', acts: [] };
  await expect(jobs.batch(82, [empty], [packResists([])], desk, () => undefined)).rejects.toThrow(
    /^It does not go: on “Bare” there is nothing to paint/,
  );
});
