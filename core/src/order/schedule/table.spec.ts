import { describe, expect, it } from 'vitest';
import { addPass, smallPlan, type Act, type Plan } from '../../document/plan';
import { maskSetting } from '../../simulation/water';
import {
  afterAct,
  CLEAR_TABLE,
  dryAt,
  mainWash,
  paperReady,
  stageAt,
  waitFor,
  washAt,
  washesOn,
  type Table,
} from '.';

const plan = smallPlan(
  addPass('sky-wash', 'sky', 'blue'),
  addPass('boat-wash', 'boat', 'dark', { start: 'straight-on' }),
  addPass('field-wash', 'field', 'lemon'),
  { do: 'keep-white', white: { id: 'w', area: 'boat', way: 'mask', tool: null, wanted: null, edge: 'hard' } },
);
const act = (id: string, of: Plan = plan): Act => of.acts.find((a) => a.id === id)!;
const after = (table: Table, id: string, endS: number, factor = 1): Table =>
  afterAct(plan, act(id), table, endS, factor);

/** Areas through which something was laid. */
const areasOf = (table: Table): string[] => [...washesOn(table).keys()].map(({ area }) => area);

describe('a wash on the table', () => {
  const table = after(CLEAR_TABLE, 'sky-wash', 100);
  const wash = mainWash(table, 'sky')!;

  it('runs from the moment it is laid, and slower on a slow table', () => {
    expect(washAt(wash, 100)).toEqual({ filmUm: 80, paperGm2: 0 });
    const slow = mainWash(after(CLEAR_TABLE, 'sky-wash', 100, 2), 'sky')!;
    expect(dryAt(slow)! - 100).toBeCloseTo(2 * (dryAt(wash)! - 100), 6);
    expect(washAt(slow, 300)).toEqual(washAt(wash, 200));
  });

  it('is dry from its dry time on, not a moment before', () => {
    expect(stageAt(wash, dryAt(wash)! - 1)).toBe('cool');
    expect(stageAt(wash, dryAt(wash)!)).toBe('dry');
  });

  it('holds up what touches it and nothing else', () => {
    expect(paperReady(plan, act('boat-wash'), table)).toEqual({
      untilS: dryAt(wash),
      area: 'sky',
      what: 'wash',
    });
    expect(paperReady(plan, act('field-wash'), table).untilS).toBe(0);
    expect(paperReady(plan, act('untape'), table).untilS).toBe(dryAt(wash));
    expect(paperReady(plan, act('prepare'), table).untilS).toBe(0);
  });

  it('does not hold up a painter who says straight on', () => {
    expect(waitFor(plan, act('boat-wash'), table).untilS).toBe(0);
    expect(waitFor(plan, { ...act('boat-wash'), start: { atS: 640 } } as Act, table).untilS).toBe(640);
  });
});

describe('a mask on the table', () => {
  const table = after(CLEAR_TABLE, 'mask-on', 50);

  it('holds up a wash that crosses it until it has set, keeps it off, and comes off', () => {
    const { setS } = maskSetting(plan.climate);
    expect(waitFor(plan, act('sky-wash'), table)).toEqual({ untilS: 50 + setS!, area: 'boat', what: 'mask' });
    const painted = after(after(table, 'sky-wash', 900), 'boat-wash', 950);
    expect(areasOf(painted)).toEqual(['sky']);
    expect(after(painted, 'mask-off', 5000).masks.size).toBe(0);
  });
});

it('a chore that needs time by itself frees the hands only then', () => {
  expect(after(CLEAR_TABLE, 'press', 60).freeS).toBe(60 + 8 * 3600);
  expect(after(CLEAR_TABLE, 'tape', 60).freeS).toBe(60);
});

it('the table given is left as it is', () => {
  const before = after(CLEAR_TABLE, 'sky-wash', 100);
  after(before, 'field-wash', 200);
  expect(areasOf(before)).toEqual(['sky']);
  expect(CLEAR_TABLE.washed.size).toBe(0);
});
