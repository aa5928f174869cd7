import { describe, expect, it } from 'vitest';
import type { FeastRule } from '@kettle/core/commission/occasion';
import { applyCommands } from '@kettle/core/document/plan';
import { backFrom, layOut } from '@kettle/core/order/schedule';
import { kettleInTheRain } from '../../../../demo/kettle-in-the-rain';
import { MILLRACE_LANE } from '../../../../demo/millrace-lane';
import { calendarOf, keptDays, ruleInWords, takenIn, withDay, withoutDay } from './days.view';
import { lastEvening, rackCards } from './rack.view';
import { comingOccasions, ribbonOf } from './ribbon.view';

const TODAY = '2026-11-27';
const plan = kettleInTheRain();

describe('the ribbon', () => {
  it('has twelve months in order, the days of everybody and of the people, and the cards', () => {
    const { months, occasions, cards } = ribbonOf([plan], MILLRACE_LANE, TODAY);
    expect(months.map(({ name }) => name)[0]).toBe('Dec');
    expect(months).toHaveLength(12);
    for (let i = 1; i < 12; i++) expect(months[i].along).toBeGreaterThan(months[i - 1].along);
    expect(occasions.map(({ says }) => says)).toContain('Sat 19 Dec: birthday, Corin Vale');
    expect(cards).toEqual([{ along: 14 / 365, says: 'Fri 11 Dec: Kettle in the rain' }]);
  });

  it('days that fall together are one mark', () => {
    const twins = withDay(MILLRACE_LANE, 'Ama Bright', 'birthday', { kind: 'date', month: 12, day: 19 }, 'x');
    const { occasions } = ribbonOf([], { ...MILLRACE_LANE, ...twins }, TODAY);
    expect(occasions.filter(({ says }) => says.startsWith('Sat 19 Dec'))).toEqual([
      { along: 22 / 365, says: 'Sat 19 Dec: birthday, Corin Vale; birthday, Ama Bright' },
    ]);
  });

  it('knows what is begun for whom, and what is next', () => {
    const moving = applyCommands(plan, [
      { do: 'set-brief', change: { forWhom: 'Corin Vale', needBy: '2027-01-09' } },
    ]).plan;
    const coming = comingOccasions([moving], MILLRACE_LANE, TODAY, 4);
    expect(coming.map(({ name, begun }) => [name, begun])).toEqual([
      ['birthday', 0],
      ['Christmas', 0],
      ['New Year', 0],
      ['moving day', 1],
    ]);
    expect(coming[0].when).toBe('Sat 19 Dec, in 22 days');
    expect(comingOccasions([], MILLRACE_LANE, '2026-12-24', 1)[0].when).toBe('tomorrow');
  });
});

describe('people and their days', () => {
  it.each<[FeastRule, string]>([
    [{ kind: 'date', month: 2, day: 29 }, '29 February'],
    [{ kind: 'weekday', month: 5, weekday: 7, nth: 2 }, 'second Sunday of May'],
    [{ kind: 'weekday', month: 1, weekday: 6, nth: -1 }, 'last Saturday of January'],
    [{ kind: 'easter', offsetDays: 0 }, 'Easter Sunday'],
    [{ kind: 'easter', offsetDays: -1 }, '1 day before Easter Sunday'],
  ])('%j is said as %s', (rule, words) => expect(ruleInWords(rule)).toBe(words));

  it('a day goes to the person of that name, to a new one, or to the house; and is forgotten again', () => {
    const rule: FeastRule = { kind: 'date', month: 6, day: 1 };
    const known = withDay(MILLRACE_LANE, ' corin vale ', 'exam', rule, 'n1');
    expect(known.people).toHaveLength(MILLRACE_LANE.people.length);
    expect(keptDays(known).filter(({ forWhom }) => forWhom === 'Corin Vale')).toHaveLength(3);
    const fresh = withDay(known, 'Ama Bright', 'birthday', rule, 'n2');
    expect(fresh.people.at(-1)).toMatchObject({ id: 'n2', name: 'Ama Bright' });
    const house = withDay(fresh, '', 'Boat race', rule, 'n3');
    const day = keptDays(house).at(-1)!;
    expect(day).toMatchObject({ person: null, name: 'Boat race', when: '1 June' });
    expect(withoutDay(house, day).occasions).toEqual(fresh.occasions);
    expect(keptDays(withoutDay(fresh, { person: 'n2', at: 0 })).some(({ person }) => person === 'n2')).toBe(
      false,
    );
  });

  it('hands over the year ahead and the posting days', () => {
    const days = calendarOf([plan], MILLRACE_LANE, new Date(2026, 10, 27, 9));
    expect(days).toContainEqual({
      ...{ id: 'post-kettle-in-the-rain', day: '2026-12-09', everyYear: false },
      name: 'Post “Kettle in the rain”',
    });
    expect(days.map(({ name }) => name)).toContain('birthday, Wilma Okonedo');
    expect(new Set(days.map(({ id }) => id)).size).toBe(days.length);
  });

  it('takes yearly days in once, and leaves others', () => {
    const found = [
      { id: 'a', day: '2021-05-09', name: 'Kite day', everyYear: true },
      { id: 'b', day: '2027-05-10', name: 'Market', everyYear: false },
    ];
    let n = 0;
    const id = (): string => `new-${n++}`;
    const { left, ...once } = takenIn(MILLRACE_LANE, found, id);
    expect(left).toBe(1);
    expect(once.occasions.at(-1)).toEqual({
      ...{ id: 'new-0', name: 'Kite day' },
      rule: { kind: 'date', month: 5, day: 9 },
    });
    expect(takenIn(once, found, id).occasions).toEqual(once.occasions);
    expect(takenIn(MILLRACE_LANE, [...found, ...found], id).occasions.length).toBe(once.occasions.length);
  });
});

describe('a card on the rack', () => {
  const timeline = layOut(plan);

  it('says when to sit down, or that it is too late', () => {
    expect(lastEvening(plan, backFrom(plan, timeline, MILLRACE_LANE.evenings, TODAY))).toEqual({
      ...{ says: 'sit down by Sat 5 Dec', late: false },
    });
    expect(lastEvening(plan, backFrom(plan, timeline, MILLRACE_LANE.evenings, '2026-12-09'))!.late).toBe(
      true,
    );
    expect(lastEvening(plan, null)).toBeNull();
  });

  it('when finished, says how many nobody has yet', () => {
    const done = applyCommands(plan, [
      { do: 'set-brief', change: { copies: 3, given: [{ to: 'Ama Bright', on: TODAY }] } },
      { do: 'sit-down', at: '2026-11-27T18:00:00.000Z' },
      ...plan.acts.map((act) => ({
        do: 'note-event' as const,
        event: { at: '2026-11-27T19:00:00.000Z', kind: 'done' as const, act: act.id },
      })),
    ]).plan;
    expect(rackCards([plan, done], TODAY).map(({ stock }) => stock)).toEqual(['', '2 of 3 in stock']);
    expect(lastEvening(done, backFrom(done, timeline, MILLRACE_LANE.evenings, TODAY))).toBeNull();
  });
});
