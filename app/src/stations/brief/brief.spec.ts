import { describe, expect, it } from 'vitest';
import { applyCommands } from '@kettle/core/plan';
import { layOut } from '@kettle/core/schedule';
import { kettleInTheRain } from '../../../../demo/kettle-in-the-rain';
import { briefAnswer, eveningsAnswer, weekOf, withEvening } from './brief.view';

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
    expect(answer.answer).toMatch(/are missing before the post\. More evenings/);
  });

  it('asks for more with more copies', () => {
    const dozen = applyCommands(plan, [{ do: 'set-brief', change: { copies: 12 } }]).plan;
    expect(eveningsAnswer(dozen, timeline, tuesday, '2026-11-24')!.late).toBe(true);
  });

  it('has nothing to say without a date, without evenings, or before the times are known', () => {
    const undated = applyCommands(plan, [{ do: 'set-brief', change: { needBy: null } }]).plan;
    expect(eveningsAnswer(undated, timeline, tuesday, '2026-11-24')).toBeNull();
    expect(eveningsAnswer(plan, timeline, [], '2026-11-24')).toBeNull();
    expect(eveningsAnswer(plan, null, tuesday, '2026-11-24')).toBeNull();
    expect(briefAnswer(undated, '2026-11-24').answer).toContain('No date');
  });
});
