import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { planForward, type Brief } from '../../commission/occasion';
import { addPass, smallPlan, applyCommands } from '../../document/plan';
import { inTime, layOut, minutesAtTable } from '.';

const TODAY = '2026-11-27'; // a Friday
const EVENINGS = [
  { weekday: 2, minutes: 60 },
  { weekday: 6, minutes: 120 },
];
const plan = smallPlan(addPass('p1', 'sky', 'blue', { handsS: 600 }));
const timeline = layOut(plan);
const asked = (brief: Partial<Brief>) =>
  inTime(applyCommands(plan, [{ do: 'set-brief', change: brief }]).plan, timeline, EVENINGS, TODAY);

describe('forward', () => {
  it('takes the evenings as they come, and a night under weight', () => {
    expect(planForward(TODAY, EVENINGS, 150, 1)).toEqual({
      readyOn: '2026-12-02',
      sittings: [
        { date: '2026-11-28', minutes: 120 },
        { date: '2026-12-01', minutes: 30 },
      ],
    });
    expect(planForward(TODAY, [], 10, 1)).toBeNull();
    expect(planForward(TODAY, EVENINGS, 0, 0)?.readyOn).toBe(TODAY);
    // Two years hold 105 Saturdays from here; nobody waits longer.
    const saturdays = [{ weekday: 6, minutes: 1 }];
    expect(planForward(TODAY, saturdays, 105, 0)).not.toBeNull();
    expect(planForward(TODAY, saturdays, 106, 0)).toBeNull();
  });

  it('hands out all minutes, on evenings there are', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 3000 }), (minutes) => {
        const { sittings } = planForward(TODAY, EVENINGS, minutes, 1)!;
        expect(sittings.reduce((sum, sitting) => sum + sitting.minutes, 0)).toBe(minutes);
        for (const { date, minutes: taken } of sittings)
          expect(taken).toBeLessThanOrEqual(new Date(`${date}T12:00:00Z`).getUTCDay() === 2 ? 60 : 120);
      }),
    );
  });
});

describe('a card in time', () => {
  it('without a day only says when it would be ready', () =>
    expect(asked({ needBy: null })).toMatchObject({ back: null, mostCopies: null, help: [] }));

  it('as many copies as come out by the day, and one more does not', () => {
    const { mostCopies } = asked({ needBy: '2026-12-24', copies: 1, spares: 1 });
    expect(mostCopies).toBeGreaterThan(1);
    expect(asked({ needBy: '2026-12-24', copies: mostCopies!, spares: 1 }).back!.feasible).toBe(true);
    expect(asked({ needBy: '2026-12-24', copies: mostCopies! + 1, spares: 1 }).back!.feasible).toBe(false);
  });

  it('never more copies than a card may have', () => {
    const all = [1, 2, 3, 4, 5, 6, 7].map((weekday) => ({ weekday, minutes: 600 }));
    const long = applyCommands(plan, [{ do: 'set-brief', change: { needBy: '2027-11-27' } }]).plan;
    expect(inTime(long, timeline, all, TODAY).mostCopies).toBe(500);
  });

  it('dried warm, three tenths of the waits are left', () => {
    const glazed = smallPlan(addPass('wash', 'sky', 'blue'), addPass('glaze', 'sky', 'blue'));
    const laid = layOut(glazed);
    const { handsMin, waitMin } = minutesAtTable(glazed, laid);
    // One Saturday before the day, a night under weight between.
    const brief = { needBy: '2026-11-29', postingDays: 0 };
    const wanted = applyCommands(glazed, [{ do: 'set-brief', change: brief }]).plan;
    const isEnough = (share: number): boolean =>
      inTime(wanted, laid, [{ weekday: 6, minutes: handsMin + share * waitMin }], TODAY).help.some(
        ({ way }) => way === 'hair-dryer',
      );
    expect([isEnough(0.32), isEnough(0.28)]).toEqual([true, false]);
  });

  it('each help named is enough by itself', () => {
    const late = asked({ needBy: '2026-12-10', copies: 60 });
    expect(late.back!.feasible).toBe(false);
    const ways = new Map(late.help.map((help) => [help.way, help]));
    const fewer = ways.get('fewer-copies');
    expect(
      fewer?.way === 'fewer-copies' && asked({ needBy: '2026-12-10', copies: fewer.copies }).back!.feasible,
    ).toBe(true);
    const longer = ways.get('longer-evenings');
    const minutes = longer?.way === 'longer-evenings' ? longer.minutesEach : 0;
    const more = EVENINGS.map((evening) => ({ ...evening, minutes: evening.minutes + minutes }));
    const plenty = applyCommands(plan, [
      { do: 'set-brief', change: { needBy: '2026-12-10', copies: 60 } },
    ]).plan;
    expect(inTime(plenty, timeline, more, TODAY).back!.feasible).toBe(true);
  });

  it('taken there by hand when only the post is too slow', () => {
    const { waitMin, handsMin } = minutesAtTable(plan, timeline);
    expect(handsMin + waitMin).toBeLessThan(120);
    // Tomorrow is the one evening before; the post would have to have it today.
    const late = asked({ needBy: '2026-11-30', postingDays: 5 });
    expect(late.back!.feasible).toBe(false);
    expect(late.help.map(({ way }) => way)).toContain('by-hand');
  });
});
