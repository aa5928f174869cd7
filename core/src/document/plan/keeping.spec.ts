import { describe, expect, it } from 'vitest';
import { rectangle, type Polygon } from '../../kit/geometry';
import { liftReach } from '../../materials/pigment';
import {
  addArea,
  addPass,
  smallPlan,
  applyCommands,
  colourAt,
  countersToFill,
  layersAt,
  planPaper,
  planSchema,
  type Command,
  type LaidShield,
  type Pass,
  type Plan,
  type White,
  sparedBy,
} from '.';

const kept = (area: string, way: White['way']): Command => ({
  do: 'keep-white',
  white: { id: `white-${area}`, area, way, tool: null, wanted: null, edge: 'hard' },
});
const passes = (plan: Plan): Pass[] => plan.acts.filter((act): act is Pass => act.kind === 'pass');
const wash = addPass('wash', 'sky', 'blue');

describe('the acts by which a white is kept', () => {
  it('a lift comes last, when all is painted, and wins back what lifting reaches', () => {
    const plan = smallPlan(wash, kept('boat', 'lift'), addPass('late', 'field', 'dark'));
    expect(passes(plan).map(({ technique }) => technique)).toEqual(['flat-wash', 'lift', 'flat-wash']);
    const crossed = layersAt(plan, 'boat', plan.acts.findIndex(({ id }) => id === 'wash') + 1);
    expect(colourAt(plan, 'boat', plan.acts.length)[0]).toBeCloseTo(
      liftReach(planPaper(plan), crossed).after[0],
      9,
    );
    expect(colourAt(plan, 'boat', plan.acts.length)[0]).toBeGreaterThan(
      colourAt(smallPlan(wash), 'boat', 20)[0] + 3,
    );
    // What is not lifted stays as dark as it was painted.
    expect(colourAt(plan, 'sky', plan.acts.length)).toEqual(colourAt(smallPlan(wash), 'sky', 20));
  });

  it('opaque white comes with its mix and its pigment, lightens a dark, and goes with them', () => {
    const dark = addPass('wash', 'sky', 'dark');
    const plan = smallPlan(dark, kept('boat', 'opaque'));
    expect(passes(plan).at(-1)).toMatchObject({ technique: 'opaque', mix: 'opaque-white', areas: ['boat'] });
    expect(plan.embedded.pigments.map(({ code }) => code)).toContain('PW6');
    expect(colourAt(plan, 'boat', 99)[0]).toBeGreaterThan(colourAt(smallPlan(dark), 'boat', 99)[0] + 30);
    expect(applyCommands(plan, [{ do: 'give-up-white', white: 'white-boat' }]).plan).toEqual(smallPlan(dark));
    expect(
      applyCommands(plan, [kept('boat', 'bare'), { do: 'give-up-white', white: 'white-boat' }]).plan,
    ).toEqual(smallPlan(dark));
  });

  it('opaque white that paints another white too stays', () => {
    const plan = smallPlan(wash, kept('boat', 'opaque'), kept('field', 'opaque'), kept('boat', 'mask'));
    expect(plan.mixes.map(({ id }) => id)).toContain('opaque-white');
    expect(passes(plan).filter(({ technique }) => technique === 'opaque')).toHaveLength(1);
  });

  it('every way, one after another, leaves a plan that can be read and only its own acts', () => {
    let plan = smallPlan(wash);
    const usual = plan.acts.length;
    for (const way of ['mask', 'lift', 'opaque', 'bare', 'permanent-line', 'mask', 'paint-round'] as const) {
      plan = applyCommands(plan, [kept('boat', way)]).plan;
      expect(planSchema.safeParse(plan).success).toBe(true);
      const own = { mask: 2, lift: 1, opaque: 1, bare: 0, 'permanent-line': 0, 'paint-round': 0 }[way];
      expect(plan.acts).toHaveLength(usual + own);
    }
  });
});

describe('what lies in a white', () => {
  const porthole = addArea('porthole', rectangle(66, 26, 4, 4));
  const beside = addArea('flag', rectangle(76, 26, 12, 4));
  const painted = (area: string, ...more: Command[]): boolean =>
    layersAt(smallPlan(porthole, beside, ...more, kept('boat', 'paint-round')), area, 99).length > 0;

  it('is painted into it, while what crosses it goes round', () => {
    expect(painted('porthole', addPass('wash', 'sky', 'blue'))).toBe(false);
    expect(painted('porthole', addPass('dot', 'porthole', 'dark'))).toBe(true);
    // A flag half of which flies beyond the boat is painted up to it.
    const plan = smallPlan(beside, addPass('flag', 'flag', 'dark'), kept('boat', 'paint-round'));
    const round = (area: string) => sparedBy(plan, passes(plan)[0], area);
    expect(round('flag')).toEqual(['boat']);
    expect(round('sky')).toEqual(['boat']);
  });
});

describe('a shield', () => {
  const over = (shields: LaidShield[]): Plan => smallPlan(addPass('wash', 'sky', 'blue', { shields }));
  const painted = (plan: Plan): string[] =>
    ['sky', 'boat'].filter((area) => layersAt(plan, area, 99).length > 0);

  it('keeps paint off what it lies over, and the other way round off all but that', () => {
    expect(painted(over([]))).toEqual(['sky', 'boat']);
    expect(painted(over([{ area: 'boat', lies: 'over', edge: 'cut' }]))).toEqual(['sky']);
    expect(painted(over([{ area: 'boat', lies: 'round', edge: 'torn' }]))).toEqual(['boat']);
  });

  it('goes with its area, and one over nothing is refused with its place', () => {
    const plan = over([{ area: 'boat', lies: 'over', edge: 'cut' }]);
    const without = applyCommands(plan, [{ do: 'remove-area', area: 'boat' }]).plan;
    expect(passes(without)[0].shields).toEqual([]);
    expect(planSchema.safeParse(without).success).toBe(true);
    const at = plan.acts.findIndex(({ id }) => id === 'wash');
    const bad = { ...plan, areas: plan.areas.filter(({ id }) => id !== 'boat') };
    expect(planSchema.safeParse(bad).error?.issues[0].path).toEqual(['acts', at, 'shields', 0, 'area']);
  });
});

it('spatter leaves the colour of an area to what lies under it', () => {
  const spattered = addPass('drops', 'sky', 'dark', { technique: 'spatter', covers: 0.12 });
  expect(colourAt(smallPlan(wash, spattered), 'sky', 99)).toEqual(colourAt(smallPlan(wash), 'sky', 99));
});

describe('counters to be painted', () => {
  const letter: Polygon = [
    rectangle(20, 10, 12, 20)[0],
    [...rectangle(23, 13, 6, 5)[0]].reverse(),
    [...rectangle(23, 21, 6, 5)[0]].reverse(),
  ];
  const lettered = (...more: Command[]): Plan => smallPlan(addArea('b', letter), wash, ...more);
  const toFill = (plan: Plan): unknown =>
    countersToFill(
      plan,
      plan.acts.findIndex(({ id }) => id === 'wash'),
    );

  it('are the openings of a masked letter in what a pass paints', () => {
    expect(toFill(lettered(kept('b', 'mask')))).toEqual([{ area: 'b', counters: 2 }]);
  });
  it('are none of a letter that is not masked, not crossed, or shielded', () => {
    expect(toFill(lettered())).toEqual([]);
    const elsewhere: Command = { do: 'change-pass', pass: 'wash', change: { areas: ['field'] } };
    expect(toFill(lettered(kept('b', 'mask'), elsewhere))).toEqual([]);
    const shields: LaidShield[] = [{ area: 'boat', lies: 'round', edge: 'cut' }];
    expect(
      toFill(lettered(kept('b', 'mask'), { do: 'change-pass', pass: 'wash', change: { shields } })),
    ).toEqual([]);
  });
});
