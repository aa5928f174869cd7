import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { planBack, planBackSchema, type PlanBackRequest } from '.';

const asked = (more: object): PlanBackRequest =>
  planBackSchema.parse({
    today: '2026-11-26',
    needBy: '2026-12-11',
    postingDays: 2,
    evenings: [
      { weekday: 2, minutes: 90 },
      { weekday: 4, minutes: 60 },
    ],
    handsMin: 100,
    waitMin: 80,
    ...more,
  });

describe('counting back from the day', () => {
  it('takes the last evenings before post and press', () => {
    // Needed Friday the 11th: posted Wednesday the 9th, pressed overnight, so Tuesday the 8th is the last evening.
    expect(planBack(asked({}))).toEqual({
      feasible: true,
      startBy: '2026-12-01',
      sittings: [
        { date: '2026-12-01', minutes: 30 },
        { date: '2026-12-03', minutes: 60 },
        { date: '2026-12-08', minutes: 90 },
      ],
      shortByMin: 0,
    });
  });

  it('says what is missing when there is not time enough', () => {
    const { feasible, startBy, sittings, shortByMin } = planBack(
      asked({ needBy: '2026-12-03', handsMin: 200 }),
    );
    expect({ feasible, startBy }).toEqual({ feasible: false, startBy: null });
    expect(sittings).toEqual([{ date: '2026-11-26', minutes: 60 }]);
    expect(shortByMin).toBe(220);
  });

  it('goes over the ends of months, leap days and summer time', () => {
    const every = Array.from({ length: 7 }, (_, i) => ({ weekday: i + 1, minutes: 60 }));
    const days = (today: string, needBy: string): string[] =>
      planBack(
        asked({
          today,
          needBy,
          postingDays: 1,
          pressingNights: 0,
          evenings: every,
          handsMin: 240,
          waitMin: 0,
        }),
      ).sittings.map(({ date }) => date);
    expect(days('2028-02-20', '2028-03-03')).toEqual([
      '2028-02-28',
      '2028-02-29',
      '2028-03-01',
      '2028-03-02',
    ]);
    expect(days('2026-03-20', '2026-03-31')).toEqual([
      '2026-03-27',
      '2026-03-28',
      '2026-03-29',
      '2026-03-30',
    ]);
    expect(days('2026-10-20', '2026-10-27')).toEqual([
      '2026-10-23',
      '2026-10-24',
      '2026-10-25',
      '2026-10-26',
    ]);
  });

  it('is in vain once the post would be too late', () => {
    expect(planBack(asked({ needBy: '2026-11-27' }))).toMatchObject({
      feasible: false,
      sittings: [],
      shortByMin: 180,
    });
    expect(planBack(asked({ needBy: '2026-11-20', handsMin: 0, waitMin: 0 })).feasible).toBe(false);
  });

  it('refuses a weekday named twice, and what is no date', () => {
    const twice = [
      { weekday: 2, minutes: 90 },
      { weekday: 2, minutes: 10 },
    ];
    expect(() => asked({ evenings: twice })).toThrow('names a weekday twice');
    expect(() => asked({ today: '2026-02-30' })).toThrow();
  });
});

it('never plans more than there is, nor later than a day later would', () => {
  const anyRequest = fc.record({
    needBy: fc.date({ min: new Date('2026-11-20'), max: new Date('2027-04-30'), noInvalidDate: true }),
    postingDays: fc.integer({ min: 0, max: 6 }),
    pressingNights: fc.integer({ min: 0, max: 3 }),
    evenings: fc.uniqueArray(
      fc.record({ weekday: fc.integer({ min: 1, max: 7 }), minutes: fc.integer({ min: 5, max: 300 }) }),
      { selector: ({ weekday }) => weekday, maxLength: 7 },
    ),
    handsMin: fc.integer({ min: 1, max: 900 }),
    waitMin: fc.integer({ min: 0, max: 600 }),
  });
  fc.assert(
    fc.property(anyRequest, ({ needBy, ...more }) => {
      const request = asked({ needBy: needBy.toISOString().slice(0, 10), ...more });
      const { feasible, startBy, sittings, shortByMin } = planBack(request);
      const sum = sittings.reduce((minutes, sitting) => minutes + sitting.minutes, 0);
      expect(sum + shortByMin).toBeCloseTo(request.handsMin + request.waitMin, 9);
      expect(feasible).toBe(shortByMin === 0);
      if (startBy !== null) {
        expect(startBy).toBe(sittings[0].date);
        // Starting the day after, one evening is gone and the rest is not enough.
        const after = new Date(Date.parse(startBy) + 86_400_000).toISOString().slice(0, 10);
        expect(planBack({ ...request, today: after }).feasible).toBe(false);
      }
    }),
  );
});
