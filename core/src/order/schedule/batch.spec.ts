import { describe, expect, it } from 'vitest';
import { heronAtLowTide } from '../../../../demo/heron-at-low-tide';
import { kettleInTheRain } from '../../../../demo/kettle-in-the-rain';
import { applyCommands, type Plan } from '../../document/plan';
import type { Lag, PlacedTask } from '../sequencing';
import { done } from '../../kit/units';
import { REST_S, WORK_S, withBreaks } from './breaks';
import { lagsOf } from './lags';
import { batchOf, copiesInTurn, layOut, overEvenings } from '.';

/** Tuesdays and Thursdays; the second of March is a Monday. */
const DESK = {
  today: '2026-03-02',
  evenings: [
    { weekday: 2, minutes: 90 },
    { weekday: 4, minutes: 90 },
  ],
};

const asked = (plan: Plan, copies: number, boards: number): Plan =>
  applyCommands(plan, [
    { do: 'set-brief', change: { copies, spares: 0 } },
    { do: 'set-table', change: { boards } },
  ]).plan;

describe.each([
  ['kettle', asked(kettleInTheRain(), 6, 3), 3],
  ['heron', asked(heronAtLowTide(), 12, 6), 6],
])('a batch of the %s', (_, plan, boards) => {
  const batch = done(batchOf([plan], DESK));
  const { steps } = batch;

  it('does every act on every copy, and only one thing at a time', () => {
    const acts = new Set(steps.map(({ id }) => id));
    expect(steps).toHaveLength(acts.size * batch.copies);
    steps.slice(1).forEach((step, i) => expect(step.startS).toBeGreaterThanOrEqual(steps[i].endS - 1e-6));
  });

  it('keeps every least and latest time within a copy, breaks included', () => {
    const acts = plan.acts.filter(({ id }) => steps.some((step) => step.id === id));
    const at = new Map(steps.map((step) => [`${step.copy} ${step.id}`, step]));
    for (const { from, to, minS, maxS } of lagsOf(plan, layOut(plan), acts))
      for (let copy = 1; copy <= batch.copies; copy++) {
        const between = at.get(`${copy} ${to}`)!.startS - at.get(`${copy} ${from}`)!.endS;
        expect(between).toBeGreaterThanOrEqual(minS - 1e-6);
        if (maxS !== undefined) expect(between).toBeLessThanOrEqual(maxS + 1e-6);
      }
  });

  it('never has more sheets taped down than there are boards', () => {
    const taped = steps.flatMap(({ id, startS, endS }) =>
      id === 'tape' ? [{ atS: startS, by: 1 }] : id === 'untape' ? [{ atS: endS, by: -1 }] : [],
    );
    let on = 0;
    for (const { by } of taped.sort((a, b) => a.atS - b.atS || a.by - b.by)) {
      on += by;
      expect(on).toBeLessThanOrEqual(boards);
    }
  });

  it('is sooner done than one after another, and not sooner than it can be', () => {
    expect(batch.endS).toBeLessThan(batch.oneByOneS);
    expect(batch.endS).toBeGreaterThanOrEqual(batch.leastS - 1e-6);
  });
});

describe('two cards together', () => {
  const [kettle, heron] = [asked(kettleInTheRain(), 1, 2), asked(heronAtLowTide(), 1, 2)];
  const batch = done(batchOf([kettle, heron], DESK));

  it('are each done whole, the hands on one thing at a time, in less time than one after the other', () => {
    const acts = (plan: Plan, card: number): string[] =>
      batch.steps.filter(({ copy }) => copy === card).map(({ id }) => `${plan.id} ${id}`);
    const single = [kettle, heron].map((plan) => done(batchOf([asked(plan, 1, 2)], DESK)));
    expect(acts(kettle, 1).sort()).toEqual(single[0].steps.map(({ id }) => `${kettle.id} ${id}`).sort());
    expect(acts(heron, 2).sort()).toEqual(single[1].steps.map(({ id }) => `${heron.id} ${id}`).sort());
    batch.steps
      .slice(1)
      .forEach((step, i) => expect(step.startS).toBeGreaterThanOrEqual(batch.steps[i].endS - 1e-6));
    expect(batch.oneByOneS).toBeCloseTo(single[0].oneByOneS + single[1].oneByOneS, 6);
    expect(batch.endS).toBeLessThan(0.8 * batch.oneByOneS);
  });

  it('on one board follow one another', () => {
    const narrow = done(batchOf([asked(kettle, 1, 1), heron], DESK));
    const at = (card: number, id: string) => narrow.steps.find((s) => s.copy === card && s.id === id)!;
    const [first, second] = at(1, 'untape').endS < at(2, 'untape').endS ? [1, 2] : [2, 1];
    expect(at(second, 'tape').startS).toBeGreaterThanOrEqual(at(first, 'untape').endS - 1e-6);
  });
});

describe('copies painted otherwise', () => {
  const base = asked(heronAtLowTide(), 5, 5);
  const passes = base.acts.filter(({ kind }) => kind === 'pass').map(({ id }) => id);
  const [first, last] = [passes[0], passes.at(-1)!];
  const without = (copies: number): Plan =>
    applyCommands(base, [
      {
        do: 'vary',
        variant: { id: 'plain', name: 'plain', copies, changes: [{ do: 'leave-out', pass: last }] },
      },
    ]).plan;
  const varied = without(2);
  const batch = done(batchOf([varied], DESK));

  it('are done with the others, without what is left out, and never more of it than was asked', () => {
    expect(copiesInTurn([varied]).map(({ variant }) => variant?.name ?? null)).toEqual([
      ...[null, null, null],
      ...['plain', 'plain'],
    ]);
    const with_ = (act: string): number[] =>
      batch.steps
        .filter(({ id }) => id === act)
        .map(({ copy }) => copy)
        .sort();
    expect(with_(first)).toEqual([1, 2, 3, 4, 5]);
    expect(with_(last)).toEqual([1, 2, 3]);
    batch.steps
      .slice(1)
      .forEach((step, i) => expect(step.startS).toBeGreaterThanOrEqual(batch.steps[i].endS - 1e-6));
  });

  it('take no longer than if all were painted as planned', () => {
    const alike = done(batchOf([base], DESK));
    expect(batch.leastS).toBeLessThan(alike.leastS);
    // The copies that keep the pass may end it all; where none does, all ends sooner.
    expect(batch.endS).toBeLessThanOrEqual(alike.endS);
    expect(done(batchOf([without(5)], DESK)).endS).toBeLessThan(alike.endS);
  });

  it('and other cards in other numbers go into one order', () => {
    const both = done(batchOf([varied, asked(kettleInTheRain(), 2, 1)], DESK));
    expect(both.copies).toBe(7);
    expect(new Set(both.steps.filter(({ copy }) => copy > 5).map(({ id }) => id)).has('untape')).toBe(true);
    expect(both.endS).toBeLessThan(both.oneByOneS);
  });
});

describe('over the evenings', () => {
  const steps = (n: number): PlacedTask[] =>
    Array.from({ length: n }, (_, i) => ({ id: `t${i}`, copy: 1, startS: i * 1200, endS: (i + 1) * 1200 }));

  it('each is as full as it goes, on its own day, and no act is left out', () => {
    const found = overEvenings(steps(10), [], DESK.evenings, DESK.today)!;
    expect(found.map(({ day }) => day)).toEqual(['2026-03-03', '2026-03-05', '2026-03-10']);
    expect(found.map(({ from, to }) => [from, to])).toEqual([
      [0, 4],
      [4, 8],
      [8, 10],
    ]);
    expect(found.every(({ takesS, overS }) => takesS <= 5400 && overS === 0)).toBe(true);
  });

  it('nothing wet is left for another day: such an evening ends sooner, or is told to be too short', () => {
    const wet = (from: number): Lag => ({
      ...{ from: `t${from}`, to: `t${from + 1}`, fromEdge: 'end', minS: 0, maxS: 60 },
    });
    const sooner = overEvenings(steps(8), [wet(3)], DESK.evenings, DESK.today)!;
    expect(sooner.map(({ from, to }) => [from, to])).toEqual([
      [0, 3],
      [3, 7],
      [7, 8],
    ]);
    const [long] = overEvenings(steps(6), [0, 1, 2, 3, 4].map(wet), DESK.evenings, DESK.today)!;
    expect(long).toMatchObject({ from: 0, to: 6, takesS: 7200, overS: 1800 });
  });

  it('runs out where there are none', () => {
    expect(overEvenings(steps(3), [], [{ weekday: 2, minutes: 0 }], DESK.today)).toBeNull();
  });
});

it('says what is wrong where nothing can be painted', () => {
  const nothing = { ...kettleInTheRain(), acts: [] };
  expect(() => done(batchOf([nothing], DESK))).toThrow(/nothing to paint/);
});

describe('breaks', () => {
  const tasks = (n: number, eachS: number): PlacedTask[] =>
    Array.from({ length: n }, (_, i) => ({ id: `t${i}`, copy: 1, startS: i * eachS, endS: (i + 1) * eachS }));

  it('come before three quarters of an hour are over, and put off all that follows', () => {
    const { steps, breaks } = withBreaks(tasks(10, 600), []);
    expect(breaks.map(({ added }) => added)).toEqual([true, true]);
    expect(breaks[0].startS).toBe(2400);
    expect(steps.at(-1)!.endS).toBe(6000 + 2 * REST_S);
    let sinceS = 0;
    for (const step of steps) {
      if (breaks.some(({ endS }) => endS === step.startS)) sinceS = step.startS;
      expect(step.endS - sinceS).toBeLessThanOrEqual(WORK_S);
    }
  });

  it('need not be put in where something dries for so long', () => {
    const worked = tasks(8, 600).map((task, i) =>
      i < 4 ? task : { ...task, startS: task.startS + REST_S, endS: task.endS + REST_S },
    );
    expect(withBreaks(worked, []).breaks).toEqual([{ startS: 2400, endS: 2700, added: false }]);
  });

  it('never come between a wash and what has to go into it', () => {
    const wet: Lag = { from: 't3', to: 't4', fromEdge: 'end', minS: 0, maxS: 60 };
    const { steps, breaks } = withBreaks(tasks(6, 600), [wet]);
    expect(breaks[0].startS).toBe(1800);
    expect(steps[4].startS - steps[3].endS).toBe(0);
  });
});
