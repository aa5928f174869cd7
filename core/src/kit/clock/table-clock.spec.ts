import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { clockFrom, JUMP_MS, keptOf, slept, tableTime, ticked, wasSet, type TableClock } from '.';

const NOON = Date.parse('2026-12-01T12:00:00Z');
const HOUR = 3_600_000;

/** A computer whose clocks a test moves. */
function computer() {
  let [wallMs, steadyMs] = [NOON, 1000];
  let clock: TableClock = clockFrom({ wallMs, steadyMs }, null).clock;
  return {
    runs(ms: number) {
      for (let left = ms; left > 0; left -= 500) {
        wallMs += Math.min(500, left);
        steadyMs += Math.min(500, left);
        ({ clock } = ticked(clock, { wallMs, steadyMs }));
      }
    },
    isSet(byMs: number) {
      wallMs += byMs;
      const { clock: next, jump } = ticked(clock, { wallMs, steadyMs });
      clock = next;
      return jump;
    },
    answers(answer: typeof slept) {
      clock = answer(clock);
    },
    get clock() {
      return clock;
    },
    get wallMs() {
      return wallMs;
    },
    since: () => tableTime(clock) - NOON,
  };
}

describe('table time', () => {
  it('runs on as before when the clock is set back two hours, and asks nothing', () => {
    const at = computer();
    at.runs(60_000);
    expect(at.isSet(-2 * HOUR)).toEqual({ atMs: NOON + 60_000, byMs: -2 * HOUR });
    expect(at.clock.asks).toBeNull();
    at.runs(60_000);
    expect(at.since()).toBe(120_000);
  });

  it('is not misled by an hour ahead and right again', () => {
    const at = computer();
    at.isSet(HOUR);
    expect(at.clock.asks).toMatchObject({ byMs: HOUR });
    at.runs(120_000);
    expect(at.since()).toBe(120_000);
    at.isSet(-HOUR);
    expect(at.clock.asks).toBeNull();
    expect([at.since(), at.clock.behindMs]).toEqual([120_000, 0]);
  });

  it('takes a sleep for passed once it is said, and a set clock for set', () => {
    const sleeper = computer();
    sleeper.isSet(HOUR);
    sleeper.runs(10_000);
    sleeper.answers(slept);
    expect([sleeper.since(), sleeper.clock.asks]).toEqual([HOUR + 10_000, null]);
    const set = computer();
    set.isSet(HOUR);
    set.answers(wasSet);
    set.runs(10_000);
    expect([set.since(), set.clock.asks]).toEqual([10_000, null]);
  });

  it('asks of two jumps ahead as one', () => {
    const at = computer();
    at.isSet(HOUR);
    at.runs(1000);
    at.isSet(HOUR);
    expect(at.clock.asks).toEqual({ atMs: NOON, byMs: 2 * HOUR });
  });

  it('lets small corrections pass', () => {
    const at = computer();
    expect(at.isSet(JUMP_MS - 1)).toBeNull();
    expect(at.clock.behindMs).toBe(0);
  });

  it('never runs backwards, and forwards only as time passes or somebody says it has', () => {
    const jump = fc.integer({ min: -48, max: 48 }).map((hours) => hours * HOUR);
    fc.assert(
      fc.property(
        fc.array(fc.tuple(jump, fc.integer({ min: 0, max: 60_000 })), { maxLength: 12 }),
        (course) => {
          const at = computer();
          let passed = 0;
          for (const [byMs, runsMs] of course) {
            at.isSet(byMs);
            at.runs(runsMs);
            passed += runsMs;
            expect(at.since()).toBe(passed);
          }
        },
      ),
    );
  });
});

describe('a clock that was kept while the page was closed', () => {
  const kept = { behindMs: 0, seenWallMs: NOON };
  const reading = (wallMs: number) => ({ wallMs, steadyMs: 0 });

  it('goes by the wall clock, however long the page was closed', () => {
    expect(clockFrom(reading(NOON + HOUR), kept)).toMatchObject({ clock: { behindMs: 0 }, setBackMs: 0 });
    const behind = { behindMs: HOUR, seenWallMs: NOON + HOUR };
    expect(tableTime(clockFrom(reading(NOON + 3 * HOUR), behind).clock)).toBe(NOON + 2 * HOUR);
  });

  it('stands where it was last seen when the wall clock was set back meanwhile, and tells by how much', () => {
    const { clock, setBackMs } = clockFrom(reading(NOON - 2 * HOUR), kept);
    expect([tableTime(clock), setBackMs]).toEqual([NOON, 2 * HOUR]);
  });

  it('believes the wall clock again once it has been put right', () => {
    const ahead = computer();
    ahead.isSet(HOUR);
    ahead.runs(1000);
    const { clock, setBackMs } = clockFrom(reading(NOON + 600_000), keptOf(ahead.clock));
    expect([tableTime(clock), setBackMs]).toEqual([NOON + 600_000, 0]);
  });
});
