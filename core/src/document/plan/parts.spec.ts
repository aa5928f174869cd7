import { describe, expect, it } from 'vitest';
import { rectangle } from '../../kit/geometry';
import {
  addArea,
  addPass,
  applyCommands,
  asParts,
  lowestWithin,
  relaid,
  stacked,
  planSchema,
  smallPlan,
  sparedBy,
  thingOf,
  type Pass,
  type Plan,
} from '.';

const pair = smallPlan({ do: 'gather', thing: { id: 'shore', name: 'shore', members: ['field', 'boat'] } });
const after = (plan: Plan, ...commands: Parameters<typeof applyCommands>[1]): Plan =>
  applyCommands(plan, [...commands]).plan;
const parts = (plan: Plan, ...ids: string[]): string[] => asParts(plan, ids).map(({ name }) => name);

describe('a thing', () => {
  it('is listed once, where the first of it stands, and by how much of it is spoken of', () => {
    expect(parts(pair, 'boat', 'sky', 'field')).toEqual(['shore', 'sky']);
    const three = after(pair, {
      do: 'gather',
      thing: { id: 'shore', name: 'shore', members: ['sky', 'field', 'boat'] },
    });
    expect(parts(three, 'sky', 'boat')).toEqual(['shore, 2 of 3']);
    expect(parts(three, 'boat')).toEqual(['boat']);
  });

  it('opens where a part is singled out, and is none any more when one is left', () => {
    const open = after(pair, { do: 'single-out', members: ['boat'] });
    expect(open.things).toEqual([]);
    expect(parts(open, 'boat', 'field')).toEqual(['boat', 'field']);
  });

  it('loses what is rubbed out, and takes what belonged to another', () => {
    expect(after(pair, { do: 'remove-area', area: 'boat' }).things).toEqual([]);
    const other = after(pair, addArea('buoy', rectangle(100, 70, 5, 5)), {
      do: 'gather',
      thing: { id: 'afloat', name: 'afloat', members: ['boat', 'buoy'] },
    });
    expect(other.things.map(({ id }) => id)).toEqual(['afloat']);
    expect(thingOf(other, 'field')).toBeUndefined();
  });

  it('is what several areas of one name are', () => {
    const named = after(smallPlan(), { do: 'rename-area', area: 'boat', name: 'field' });
    expect(named.things).toMatchObject([{ name: 'field', members: ['field', 'boat'] }]);
    expect(planSchema.safeParse(named).success).toBe(true);
  });

  it('is not made of one member named twice, and a letter given the name of another area leaves its word', () => {
    const twice = after(smallPlan(), {
      do: 'gather',
      thing: { id: 'one', name: 'one', members: ['boat', 'boat'] },
    });
    expect(twice.things).toEqual([]);
    const renamed = after(pair, { do: 'rename-area', area: 'boat', name: 'sky' });
    expect(renamed.things).toMatchObject([{ name: 'sky', members: ['sky', 'boat'] }]);
  });

  it('is refused where a member is not drawn, or belongs to two', () => {
    const thing = (id: string, members: string[]) => ({ id, name: id, members });
    const refused = (...things: object[]): string =>
      planSchema.safeParse({ ...pair, things }).error!.issues[0].message;
    expect(refused(thing('a', ['boat', 'ghost']))).toMatch(/nothing is drawn by the name of “ghost”/);
    expect(refused(thing('a', ['boat', 'sky']), thing('b', ['boat', 'field']))).toMatch(/belongs to “a” too/);
  });
});

describe('the order in which areas lie over each other', () => {
  const order = (plan: Plan): string[] => plan.areas.map(({ id }) => id);

  it('is changed by the painter, a thing with all of its parts, and not beyond either end', () => {
    expect(order(after(smallPlan(), ...relaid(smallPlan(), 'boat', -1)))).toEqual(['sky', 'boat', 'field']);
    expect(relaid(smallPlan(), 'boat', 1)).toEqual([]);
    expect(stacked(pair).map(({ id }) => id)).toEqual(['sky', 'shore']);
    expect(order(after(pair, ...relaid(pair, 'shore', -1)))).toEqual(['field', 'boat', 'sky']);
  });

  it('puts what is drawn round others under them', () => {
    expect(lowestWithin(smallPlan(), rectangle(0, 0, 148, 100))).toBe('sky');
    expect(lowestWithin(smallPlan(), rectangle(55, 15, 30, 30))).toBe('boat');
    expect(lowestWithin(smallPlan(), rectangle(65, 25, 5, 5))).toBeUndefined();
  });

  it('takes a new area under another where that is said', () => {
    const ground = { id: 'ground', name: 'ground', outline: rectangle(0, 0, 148, 100) };
    expect(order(after(smallPlan(), { do: 'add-area', area: ground, under: 'sky' }))[0]).toBe('ground');
    expect(order(after(smallPlan(), { do: 'add-area', area: ground })).at(-1)).toBe('ground');
  });
});

describe('what a pass is painted round', () => {
  const plan = smallPlan(
    {
      do: 'keep-white',
      white: { id: 'w', area: 'boat', way: 'paint-round', tool: null, wanted: null, edge: 'hard' },
    },
    addPass('glow', 'sky', 'lemon', { spares: [] }),
    addPass('dark', 'sky', 'dark'),
    addPass('haze', 'sky', 'blue', { spares: ['field'] }),
  );
  const spared = (pass: string): string[] =>
    sparedBy(plan, plan.acts.find(({ id }) => id === pass) as Pass, 'sky');

  it('is said pass by pass: a lamp is open to the glow and kept from the dark', () => {
    expect([spared('glow'), spared('dark'), spared('haze')]).toEqual([[], ['boat'], ['field']]);
  });

  it('goes with its area', () => {
    const without = after(plan, { do: 'remove-area', area: 'field' });
    expect((without.acts.find(({ id }) => id === 'haze') as Pass).spares).toEqual([]);
  });
});
