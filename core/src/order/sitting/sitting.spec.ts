import { describe, expect, it } from 'vitest';
import { addPass, smallPlan, handsOn, type Plan, type SittingEvent } from '../../document/plan';
import { replaySitting, sittingAt, type SittingNow } from '.';

const START = Date.parse('2026-12-01T18:00:00.000Z');
const when = (s: number): string => new Date(START + s * 1000).toISOString();
const CHORES = ['prepare', 'tape', 'draw'];
const plan = smallPlan(
  addPass('sky-wash', 'sky', 'blue'),
  addPass('boat-wash', 'boat', 'dark'),
  addPass('field-wash', 'field', 'lemon'),
);

function at(s: number, events: Omit<SittingEvent, 'at'>[], times: number[], of: Plan = plan): SittingNow {
  const sitting = {
    startedAt: when(0),
    events: events.map((event, i) => ({ ...event, at: when(times[i]) })),
  };
  return sittingAt(of, replaySitting(of, sitting), START + s * 1000);
}

const laid = [...CHORES, 'sky-wash'].map((act) => ({ kind: 'done' as const, act }));
const LAID_AT = [60, 120, 180, 240];

describe('a sitting', () => {
  it('opens with the first act, nothing wet', () => {
    expect(at(5, [], [])).toMatchObject({ atS: 5, doneCount: 0, act: { id: 'prepare' }, waitS: 0, wet: [] });
  });

  it('runs the clock of what is really wet, from when it was really done', () => {
    const now = at(300, laid, LAID_AT);
    expect(now.act?.id).toBe('boat-wash');
    expect(now.wet).toHaveLength(1);
    expect(now.wet[0]).toMatchObject({ area: 'sky', stage: 'shiny' });
    expect(now.waitS).toBeCloseTo(240 + 1369 - 300, -1);
    expect(at(301, laid, LAID_AT).waitS! - now.waitS!).toBeCloseTo(-1, 6);
    expect(now.meanwhile.map((act) => act.id)).toContain('field-wash');
    expect(at(2000, laid, LAID_AT)).toMatchObject({ waitS: 0, wet: [] });
  });

  it('believes “dry now”, and lets later washes dry at that pace', () => {
    const events = [...laid, { kind: 'dry-now' as const, area: 'sky' }];
    const now = at(950, events, [...LAID_AT, 940]);
    expect(now.waitS).toBe(0);
    const later = at(1000, [...events, { kind: 'done' as const, act: 'boat-wash' }], [...LAID_AT, 940, 990]);
    const usual = at(1000, [...laid, { kind: 'done' as const, act: 'boat-wash' }], [...LAID_AT, 990]);
    expect(later.wet.find((w) => w.area === 'boat')!.leftS!).toBeLessThan(
      0.6 * usual.wet.find((w) => w.area === 'boat')!.leftS!,
    );
  });

  it('takes a wash for dry the moment it is said to be, however early', () => {
    const events = [...laid, { kind: 'dry-now' as const, area: 'sky' }];
    expect(at(246, events, [...LAID_AT, 245])).toMatchObject({ waitS: 0, wet: [] });
    const damp = { ...plan, climate: { ...plan.climate, rh: 1 } };
    expect(at(246, laid, LAID_AT, damp).waitS).toBeNull();
    expect(at(246, events, [...LAID_AT, 245], damp).waitS).toBe(0);
  });

  it('believes “still wet”: at least a tenth longer than it has taken', () => {
    const now = at(1700, [...laid, { kind: 'still-wet' as const, area: 'sky' }], [...LAID_AT, 1700]);
    expect(now.waitS).toBeCloseTo((1700 - 240) * 0.1, 0);
    expect(now.wet[0].stage).not.toBe('dry');
  });

  it('counts hands-on time by what an act takes, never more than has passed since the one before', () => {
    const quick = at(100, laid.slice(0, 2), [30, 50]);
    expect(quick.handsOnS).toBe(50);
    const slow = at(9000, laid.slice(0, 1), [8000]);
    expect(slow.handsOnS).toBe(handsOn(plan, plan.acts[0]));
  });

  it('waits for the mask, and says never in saturated air', () => {
    const masked = smallPlan(addPass('sky-wash', 'sky', 'blue'), {
      do: 'keep-white',
      white: { id: 'w', area: 'boat', way: 'mask', tool: null, wanted: null, edge: 'hard' },
    });
    const events = [...CHORES, 'mask-on'].map((act) => ({ kind: 'done' as const, act }));
    const now = at(300, events, LAID_AT, masked);
    expect(now.waitArea).toBe('boat');
    expect(now.waitS).toBeGreaterThan(200);
    expect(now.masks[0].setInS).toBeCloseTo(now.waitS!, 6);
    const events2 = (kind: 'dry-now' | 'still-wet') => [...events, { kind, area: 'boat' }];
    expect(now.waitFor).toBe('mask');
    expect(at(301, events2('dry-now'), [...LAID_AT, 300], masked).waitS).toBe(0);
    expect(at(700, events2('still-wet'), [...LAID_AT, 700], masked).waitS).toBeCloseTo((700 - 240) * 0.1, 0);
    const damp = { ...masked, climate: { ...masked.climate, rh: 1 } };
    expect(at(300, events, LAID_AT, damp).waitS).toBeNull();
  });

  it('does not wait for a clock that lags behind the last press', () => {
    expect(at(119.6, laid.slice(0, 2), [60, 120])).toMatchObject({ atS: 120, waitS: 0 });
  });

  it('ends when all is done', () => {
    const all = plan.acts.map((act) => ({ kind: 'done' as const, act: act.id }));
    expect(
      at(
        9000,
        all,
        all.map((_, i) => i * 60),
      ).act,
    ).toBeNull();
  });
});
