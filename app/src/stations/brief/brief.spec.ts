import { describe, expect, it } from 'vitest';
import { applyCommands } from '@kettle/core/document/plan';
import { layOut } from '@kettle/core/order/schedule';
import { kettleInTheRain } from '../../../../demo/kettle-in-the-rain';
import { alreadyHas, earlierCards, eveningsAnswer, weekOf, withEvening } from './brief.view';

const plan = kettleInTheRain();
const timeline = layOut(plan);
const tuesday = [{ weekday: 2, minutes: 90 }];

describe('the evenings', () => {
  it('are a week from Monday, each with its minutes', () => {
    const week = weekOf(tuesday);
    expect(week.map(({ short }) => short)).toEqual(['Mo', 'Tu', 'We', 'Th', 'Fr', 'Sa', 'Su']);
    expect(week.map(({ minutes }) => minutes)).toEqual([0, 90, 0, 0, 0, 0, 0]);
  });

  it('are set and given up one by one, in order', () => {
    const two = withEvening(tuesday, 1, 60);
    expect(two).toEqual([{ weekday: 1, minutes: 60 }, ...tuesday]);
    expect(withEvening(two, 2, 0)).toEqual([{ weekday: 1, minutes: 60 }]);
    expect(withEvening(two, 2, 45)[1]).toEqual({ weekday: 2, minutes: 45 });
  });
});

describe('what they come to', () => {
  // The demo card is wanted on Friday 11 December, two days in the post: Tuesday the 8th is the last evening.
  it('says when to sit down first', () => {
    const answer = eveningsAnswer(plan, timeline, tuesday, '2026-11-24')!;
    expect(answer.late).toBe(false);
    expect(answer.answer).toMatch(/evenings are enough for .* in hand and .* waiting/);
    expect(answer.answer).toContain('Sit down first on Tuesday 1 December at the latest');
  });

  it('says what is missing, and what helps', () => {
    const answer = eveningsAnswer(plan, timeline, tuesday, '2026-12-07')!;
    expect(answer.late).toBe(true);
    expect(answer.answer).toMatch(/34 min are missing before the post\.$/);
    expect(answer.more).toEqual([
      'Enough: every layer dried with a hair dryer, warm and not too near.',
      'Enough: 35 min more on each evening left.',
    ]);
  });

  it('says what more there is time for, and what without a day', () => {
    const answer = eveningsAnswer(plan, timeline, tuesday, '2026-11-24')!;
    expect(answer.more[0]).toMatch(/^There is time for \d+ by then\.$/);
    const undated = applyCommands(plan, [{ do: 'set-brief', change: { needBy: null } }]).plan;
    expect(eveningsAnswer(undated, timeline, tuesday, '2026-11-24')!.answer).toMatch(
      /begun today, it is ready for the post on Wednesday 2 December\.$/,
    );
  });

  it('asks for more with more copies', () => {
    const dozen = applyCommands(plan, [{ do: 'set-brief', change: { copies: 12 } }]).plan;
    expect(eveningsAnswer(dozen, timeline, tuesday, '2026-11-24')!.late).toBe(true);
  });

  it('has nothing to say without evenings, or before the times are known', () => {
    expect(eveningsAnswer(plan, timeline, [], '2026-11-24')).toBeNull();
    expect(eveningsAnswer(plan, null, tuesday, '2026-11-24')).toBeNull();
  });
});

describe('cards made before', () => {
  const given = [{ to: 'Wilma Okonedo', on: '2026-03-14' }];
  const card = (id: string, brief: object): typeof plan => ({
    ...{ ...plan, id, title: id },
    brief: { ...plan.brief, given: [], ...brief },
  });
  const asked = card('asked', { occasion: 'birthday', forWhom: 'Wilma Okonedo' });
  const rack = [
    asked,
    card('kites', { occasion: 'Birthday', forWhom: 'Corin Vale', given }),
    card('ferry', { occasion: 'leaving', forWhom: 'wilma okonedo ' }),
    card('heron', { occasion: 'new home', forWhom: 'Corin Vale' }),
  ];

  it('are like it in the occasion or the person, not in neither, and not itself', () => {
    expect(earlierCards(asked, rack)).toEqual([
      { id: 'ferry', title: 'ferry', like: 'for wilma okonedo ', had: 'nobody has one yet' },
      { id: 'kites', title: 'kites', like: 'Birthday', had: 'Wilma Okonedo has one' },
    ]);
  });

  it('that somebody already has are told, whatever card is on the table', () => {
    expect(alreadyHas('Wilma Okonedo', rack)).toBe('Wilma Okonedo already has “kites” since 14 March 2026.');
    expect(alreadyHas('Corin Vale', rack)).toBe('');
    expect(alreadyHas(' ', rack)).toBe('');
  });
});
