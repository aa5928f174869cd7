import { describe, expect, it } from 'vitest';
import { applyCommands } from '@kettle/core/document/plan';
import { batchOf } from '@kettle/core/order/schedule';
import { done } from '@kettle/core/kit/units';
import { heronAtLowTide, kettleInTheRain } from '../../../../demo';
import { lookAheadOf } from '../../testing/look-ahead';
import { batchDrawing, batchInShort, batchStages, eveningsInWords } from './batch.view';
import { packResists } from '@kettle/core/drawing/masking';
import { plainLineKernel } from '@kettle/core/simulation/water';
import { tableJobs } from '../../workers/table-jobs';
import { pegAt, withPegAt } from './peg.view';
import { proposalInWords } from './proposal.view';
import { startChoices, startFrom, startInWords } from './start.view';

const plan = applyCommands(heronAtLowTide(), [
  { do: 'set-brief', change: { copies: 6, spares: 0 } },
  { do: 'set-table', change: { boards: 6 } },
]).plan;
const DESK = { today: '2026-03-02', evenings: [{ weekday: 2, minutes: 90 }] };
const batch = done(batchOf([plan], DESK));

describe('a batch', () => {
  it('is drawn with a thread for every copy, its knots where the hands are on it', () => {
    const { threads, left } = batchDrawing([plan], batch, 800, 300);
    expect(threads.map(({ copy }) => copy)).toEqual([1, 2, 3, 4, 5, 6]);
    const knots = threads.flatMap((thread) => thread.knots);
    expect(knots).toHaveLength(batch.steps.length);
    for (const thread of threads)
      for (const { x, width } of thread.knots) {
        expect(x).toBeGreaterThanOrEqual(Math.max(left, thread.fromX) - 1e-6);
        expect(x + width).toBeLessThanOrEqual(800);
      }
    expect(knots.some(({ colour }) => colour !== null)).toBe(true);
  });

  it('is said stage by stage, every act on every copy once', () => {
    const stages = batchStages([plan], batch);
    const acts = new Set(batch.steps.map(({ id }) => id)).size;
    const times = stages
      .filter(({ what }) => !what.startsWith('Rest'))
      .reduce((sum, { what, copies }) => sum + what.split(', then ').length * countOf(copies), 0);
    expect(times).toBe(acts * 6);
    expect(stages.length).toBeLessThan(acts * 6);
    expect(batchInShort([plan], batch)).toMatch(/^6 copies in .* a copy, .* one by one/);
  });

  it('falls on the evenings there are, from act to act', () => {
    const evenings = eveningsInWords([plan], batch);
    expect(evenings.length).toBeGreaterThan(1);
    expect(evenings[0]).toMatch(/^Tue,? 3 Mar, .*: from “.*” on copy \d to “.*” on copy \d/);
    expect(batchDrawing([plan], batch, 800, 300).nights).toHaveLength(evenings.length - 1);
    expect(eveningsInWords([plan], { ...batch, evenings: null })[0]).toContain('do not hold it');
    expect(eveningsInWords([plan], { ...batch, evenings: [] })).toEqual([]);
  });

  it('of two cards is said by their titles, each with the acts of its own', () => {
    const both = [kettleInTheRain(), heronAtLowTide()].map((card) => ({
      ...card,
      brief: { ...card.brief, copies: 1, spares: 0 },
    }));
    const together = done(batchOf(both, DESK));
    expect(batchInShort(both, together)).toMatch(
      /^Kettle in the rain and Heron at low tide in .* one after the other/,
    );
    const { threads } = batchDrawing(both, together, 800, 300);
    expect(
      threads[0].knots.some(({ label }) => label.endsWith('Float colour into the pane, Kettle in the rain')),
    ).toBe(true);
    expect(threads[1].knots.some(({ label }) => label.endsWith('Wash the heron, Heron at low tide'))).toBe(
      true,
    );
    expect(threads.map(({ label }) => label)).toEqual(['Kettle in the rain', 'Heron at low tide']);
    expect(batchStages(both, together).some(({ copies }) => copies === 'Heron at low tide')).toBe(true);
  });

  const countOf = (copies: string): number =>
    copies
      .split(', ')
      .map((span) => span.split('–').map(Number))
      .reduce((sum, [from, to = from]) => sum + to - from + 1, 0);
});

describe('a peg', () => {
  const ahead = lookAheadOf(
    applyCommands(heronAtLowTide(), [{ do: 'change-pass', pass: 'heron', change: { start: 'straight-on' } }])
      .plan,
  );
  const jobs = tableJobs(Promise.resolve(plainLineKernel));
  const card = { plan: ahead.plan, resists: packResists(ahead.plan.resists) };
  const stops = done(jobs.starts({ card, pass: 'heron' }));

  it('stays where there is a reason: hands free, a stage reached, dry', () => {
    expect(stops[0].start).toBe('straight-on');
    expect(stops.at(-1)!.start).toBe('when-dry');
    expect(pegAt(stops, stops[1].atS + 3, 0.1)).toEqual(stops[1]);
  });

  it('stays at a time of its own elsewhere, and never before the hands are free', () => {
    const between = (stops.at(-1)!.atS + stops.at(-2)!.atS) / 2;
    expect(pegAt(stops, between, 1)).toEqual({
      start: { atS: Math.round(between) },
      atS: Math.round(between),
    });
    expect(pegAt(stops, 0, 1).atS).toBeGreaterThanOrEqual(Math.floor(stops[0].atS));
  });

  it('shows what would be: the same as when the change is made', () => {
    const { start } = stops.at(-1)!;
    const peg = { pass: 'heron', start };
    const { timeline, findings } = withPegAt(ahead, peg, done(jobs.beginAt({ card, ...peg })));
    expect(findings).toEqual([]);
    const made = applyCommands(ahead.plan, [{ do: 'change-pass', pass: 'heron', change: { start } }]).plan;
    expect(timeline).toEqual(lookAheadOf(made).timeline);
    expect(timeline.steps.find(({ act }) => act.id === 'heron')!.startS).toBeCloseTo(stops.at(-1)!.atS, 6);
  });
});

describe('starts', () => {
  it('are chosen by a word, and a time of its own only where there is one', () => {
    const [pass] = plan.acts.filter((act) => act.kind === 'pass');
    expect(startChoices(pass).map(({ id }) => id)).not.toContain('at');
    expect(startChoices({ ...pass, start: { atS: 125 } }).at(-1)).toEqual({
      id: 'at',
      name: 'not before 2:05',
    });
    expect(startInWords(startFrom('damp'))).toBe('when the sheen is gone');
  });
});

it('a proposal that is what stands there already says nothing', () =>
  expect(proposalInWords(plan, [])).toEqual([]));
