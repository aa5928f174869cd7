import { beforeAll, describe, expect, it } from 'vitest';
import { labOfHex } from '@kettle/core/kit/colour';
import { packResists } from '@kettle/core/drawing/masking';
import { paperById } from '@kettle/core/materials/paper';
import {
  calibrate,
  choosePaletteFrom,
  matchColour,
  pigmentByCode,
  PIGMENTS,
  type MatchRequest,
} from '@kettle/core/materials/pigment';
import { NEW_STUDIO, type Plan } from '@kettle/core/document/plan';
import { layOut, withoutTables } from '@kettle/core/order/schedule';
import { done } from '@kettle/core/kit/units';
import { dampCreep, plainLineKernel } from '@kettle/core/simulation/water';
import { loadLineKernel } from '@kettle/kernels/node';
import { kettleInTheRain } from '../../../demo/kettle-in-the-rain';
import { ask, watched } from '../testing/ask';
import { reckoningColours } from './colour-reckoning';
import { jobHost } from './jobs';
import { tableJobs, type TableJobs } from './table-jobs';

let jobs: TableJobs;
const plan = kettleInTheRain();
const request: MatchRequest = {
  target: labOfHex('#7d8f6a'),
  palette: ['PY150', 'PB29', 'PR122', 'PBr7-burnt-sienna'].map((code) => pigmentByCode(code)),
  paper: paperById('cotton-cold-300'),
};
const packed = (of: Plan) => ({ plan: { ...of, resists: [] }, resists: packResists(of.resists) });
const rising = (shares: readonly number[]): void => expect(shares).toEqual([...shares].sort((a, b) => a - b));

beforeAll(() => {
  jobs = tableJobs(loadLineKernel());
});

describe('the colours of a card', () => {
  it('are reckoned as the core has them, masks by hand unpacked on the way', async () => {
    const found = await ask(jobs.reckonColours({ card: packed(plan), dish: NEW_STUDIO.dish }));
    expect(found).toEqual(done(reckoningColours(plan, NEW_STUDIO.dish)));
    expect(structuredClone(found)).toEqual(found);
  });

  it('a dish tells its reach, and a box three palettes for a mood', async () => {
    // Another palette than the searches below, whose table is not to lie ready.
    const few = request.palette.slice(0, 3);
    const [regions, darker] = await ask(jobs.reach({ palette: few, paper: request.paper, levels: [60, 30] }));
    expect(regions.length).toBeGreaterThan(0);
    expect(darker).not.toEqual(regions);
    const mood = { light: 0.6, warm: 0.5, strong: 0.5 };
    const { answer, shares } = await watched(jobs.suggest({ box: few, paper: request.paper, mood }));
    expect(answer).toHaveLength(3);
    rising(shares);
  });
});

const DESK = { dish: NEW_STUDIO.dish, letter: NEW_STUDIO.letter, evenings: [], today: '2026-03-02' };

describe('looking ahead', () => {
  it('answers for the snapshot it was given, with the compiled kernel', async () => {
    const { answer, shares } = await watched(jobs.lookAhead({ card: packed(plan), desk: DESK }));
    expect(answer!.kernel).toBe('wasm');
    expect(answer!.timeline).toEqual(withoutTables(layOut(plan)));
    expect([...answer!.looks.keys()]).toEqual(plan.areas.map(({ id }) => id));
    rising(shares);
  });

  it('tells the creep of every pass, as the plain twin has it', async () => {
    const { creepMm } = await ask(jobs.lookAhead({ card: packed(plan), desk: DESK }));
    const passes = plan.acts.flatMap((act) => (act.kind === 'pass' ? [act] : []));
    expect([...creepMm.keys()]).toEqual(passes.map(({ id }) => id));
    const [paper] = plan.embedded.papers;
    for (const { id, filmUm } of passes)
      expect(creepMm.get(id)).toBeCloseTo(dampCreep(paper, filmUm, plan.climate, plainLineKernel), 9);
  });

  it('survives the way to the page and back', async () => {
    const answer = await ask(jobs.lookAhead({ card: packed(plan), desk: DESK }));
    expect(structuredClone(answer)).toEqual(answer);
  });

  it('fails when the kernel does not load, rather than guess', async () => {
    const broken = tableJobs(Promise.reject(new Error('no kernel')));
    await expect(broken.lookAhead({ card: packed(plan), desk: DESK })).rejects.toThrow('no kernel');
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
    const { answer, shares } = await watched(jobs.matchColour(request));
    expect(answer).toEqual(matchColour(request));
    expect(shares.length).toBeGreaterThan(1);
    rising(shares);
  });

  it('keeps the table for the next colour of the same palette', async () => {
    const first = await watched(jobs.matchColour(fresh('PY42')));
    const target = labOfHex('#a08050');
    const { answer, shares } = await watched(jobs.matchColour({ ...fresh('PY42'), target }));
    // What is left is to look through the table.
    expect(Math.min(...shares)).toBeGreaterThan(0.5);
    expect(Math.min(...first.shares)).toBe(0);
    expect(answer).toEqual(matchColour({ ...fresh('PY42'), target }));
  });

  it('leaves the next one whole when it is stopped in the middle', async () => {
    const { answer, shares } = await watched(jobs.matchColour(fresh('PY3')), 0.3);
    expect(answer).toBeNull();
    expect(Math.max(...shares)).toBeLessThan(0.6);
    expect(await ask(jobs.matchColour(fresh('PY3')))).toEqual(matchColour(fresh('PY3')));
  });

  it('at the hand goes before a look ahead that came first, which is not held up for good', async () => {
    const host = jobHost(tableJobs(loadLineKernel()));
    const over: string[] = [];
    const ran = (job: number, name: string, asked: unknown, rank: 'hand' | 'ahead') =>
      host.run({ job, name, asked, rank }, () => undefined).then(() => over.push(name));
    await Promise.all([
      ran(1, 'lookAhead', { card: packed(plan), desk: DESK }, 'ahead'),
      ran(2, 'matchColour', fresh('PY42'), 'hand'),
    ]);
    expect(over).toEqual(['matchColour', 'lookAhead']);
  });
});

describe('choosing a palette', () => {
  const box = PIGMENTS.slice(0, 10);
  const asked = { targets: [labOfHex('#c7a23a'), labOfHex('#7c3b2e')], size: 2 };

  it('answers as the core does, its progress rising', async () => {
    const { answer, shares } = await watched(
      jobs.choosePalette({ box, paper: request.paper, request: asked }),
    );
    expect(answer).toEqual(choosePaletteFrom(box, request.paper, asked));
    rising(shares);
    expect(shares.at(-1)).toBeGreaterThan(0.8);
  });

  it('stops while it colours the box', async () => {
    const other = PIGMENTS.slice(10, 22);
    const work = jobs.choosePalette({ box: other, paper: request.paper, request: asked });
    expect((await watched(work, 0.2)).answer).toBeNull();
  });
});

it('fits a pigment to swatches', async () => {
  const like = pigmentByCode('PB29');
  const swatches = [
    { strength: 1, lab: labOfHex('#2b3f9e'), ground: 'paper' as const },
    { strength: 0.1, lab: labOfHex('#9fb6e0'), ground: 'paper' as const },
  ];
  expect(await ask(jobs.calibrate({ like, paper: request.paper, swatches }))).toEqual(
    calibrate(like, request.paper, swatches),
  );
});

it('puts copies in order, and says in words of a card that has nothing to paint', async () => {
  const desk = { ...NEW_STUDIO, today: '2026-03-02' };
  const two = { ...plan, brief: { ...plan.brief, copies: 2, spares: 0 } };
  const { answer, shares } = await watched(jobs.batch({ cards: [packed(two)], desk }));
  expect(answer).toMatchObject({ copies: 2 });
  expect(structuredClone(answer)).toEqual(answer);
  expect(shares.length).toBeGreaterThan(0);
  const empty = { ...two, title: 'Bare', acts: [], resists: [] };
  await expect(ask(jobs.batch({ cards: [packed(empty)], desk }))).rejects.toThrow(
    /on “Bare” there is nothing to paint/,
  );
});
