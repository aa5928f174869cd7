import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { BadInput } from '../../kit/units';
import type { Patch } from '../plan';
import { mendPlan, PLAN_VERSION, planAfter, readableStart, readPlan, type RecordedChange } from '.';

type Json = Record<string, unknown>;

const fixture = (name: string): Json =>
  JSON.parse(readFileSync(new URL(`./fixtures/${name}.json`, import.meta.url), 'utf8')) as Json;

const V8_PASS = {
  ...{ kind: 'pass', id: 'extra', name: 'extra', technique: 'flat-wash', mix: null, filmUm: 80 },
  ...{ areas: [], handsS: null, start: 'when-dry', covers: 1, shields: [], strokes: [] },
};
const added = (value: object, plan: Json): readonly Patch[] => [
  { op: 'add', path: ['acts', (plan['acts'] as unknown[]).length], value },
];
const renamed = (title: string): readonly Patch[] => [{ op: 'replace', path: ['title'], value: title }];

describe('a journal', () => {
  const v8 = fixture('plan-v8');

  it('recorded in an earlier version is replayed in that version, and lifted with the plan', () => {
    for (const version of [8, null]) {
      const plan = planAfter(v8, [{ version, patches: added(V8_PASS, v8) }]);
      expect(plan.acts.at(-1)).toEqual({ ...V8_PASS, also: [], spares: null });
      // What it gives is a plan of today in every part.
      expect(readPlan(JSON.parse(JSON.stringify(plan)))).toEqual(plan);
    }
  });

  it('that was begun before the program was renewed and goes on after is read in both shapes', () => {
    const today = { ...V8_PASS, id: 'later', mix: 'blue', also: [] };
    const after = { ...v8, acts: [...(v8['acts'] as unknown[]), V8_PASS] };
    const clear = { ...today, mix: null };
    for (const [older, newer] of [
      [8, 9],
      [null, null],
    ] as const) {
      const plan = planAfter(v8, [
        { version: older, patches: added(V8_PASS, v8) },
        { version: newer, patches: added(clear, after) },
      ]);
      expect(plan.acts.slice(-2)).toEqual([
        { ...V8_PASS, also: [], spares: null },
        { ...clear, spares: null },
      ]);
    }
  });

  it('of a newer program, or one that does not fit, is refused with its place', () => {
    const plan = fixture('plan-v9');
    const newer: RecordedChange = { version: PLAN_VERSION + 1, patches: renamed('A') };
    expect(() => planAfter(plan, [newer])).toThrow(/journal\[0\].*newer/);
    const astray: RecordedChange = {
      version: PLAN_VERSION,
      patches: [{ op: 'replace', path: ['acts', 99, 'name', 'x'], value: 1 }],
    };
    expect(() => planAfter(plan, [{ version: PLAN_VERSION, patches: renamed('A') }, astray])).toThrow(
      BadInput,
    );
    expect(() => planAfter(plan, [{ version: PLAN_VERSION, patches: renamed('') }])).toThrow(/title/);
  });

  it('is read as far as it leads to a whole plan', () => {
    const plan = fixture('plan-v9');
    const changes = [
      { version: PLAN_VERSION, patches: renamed('A') },
      { version: PLAN_VERSION, patches: renamed('B') },
      { version: PLAN_VERSION, patches: renamed('') },
      { version: PLAN_VERSION, patches: added({ kind: 'what' }, plan) },
    ];
    expect(readableStart(plan, changes)).toMatchObject({ changes: 2, plan: { title: 'B' } });
    expect(readableStart({ ...plan, climate: 3 }, changes)).toBeNull();
  });
});

describe('a damaged plan', () => {
  const whole = fixture('plan-v9');

  it('loses what is wrong and nothing else', () => {
    const acts = whole['acts'] as Json[];
    const damaged = { ...whole, climate: 'warm', acts: [...acts.slice(0, 1), { id: 3 }, ...acts.slice(1)] };
    const mended = mendPlan(damaged)!;
    expect([...mended.lost].sort()).toEqual(['acts[1]', 'climate']);
    expect(mended.plan.acts).toEqual(readPlan(whole).acts);
    expect(mended.plan.areas).toEqual(readPlan(whole).areas);
  });

  it('of an area that others stand on loses those as well, and stays a plan', () => {
    const areas = whole['areas'] as Json[];
    const damaged = { ...whole, areas: [{ ...areas[0], outline: 'gone' }, ...areas.slice(1)] };
    const mended = mendPlan(damaged)!;
    expect(mended.plan.areas).toHaveLength(areas.length - 1);
    expect(readPlan(JSON.parse(JSON.stringify(mended.plan)))).toEqual(mended.plan);
  });

  it('of a newer program, or no plan at all, is not mended', () => {
    expect(mendPlan({ ...whole, version: PLAN_VERSION + 1 })).toBeNull();
    for (const nothing of [null, 3, 'plan']) expect(mendPlan(nothing)).toBeNull();
  });

  it('a whole one is left as it is', () => {
    expect(mendPlan(whole)).toEqual({ plan: readPlan(whole), lost: [] });
  });
});
