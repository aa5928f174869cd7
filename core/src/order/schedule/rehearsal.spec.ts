import { describe, expect, it } from 'vitest';
import { cardSizes } from '../../commission/card';
import { bounds, polygonArea, rectangle, type Polygon } from '../../kit/geometry';
import {
  addArea,
  addPass,
  smallPlan,
  applyCommands,
  type Command,
  type LaidShield,
  type Pass,
  type Plan,
} from '../../document/plan';
import { done } from '../../kit/units';
import { coverage } from '../../simulation/water/coverage';
import { plainPanelKernel, simulate, type PanelRun, type Simulation } from '../../simulation/water';
import { layOut, moments, rehearse } from '.';

const rehearsed = (plan: Plan): Simulation => rehearse(plan, layOut(plan), { cellMm: 2, seed: 2 });

/** The bands a plan is filled in, each with the outline of what is laid. */
const washes = (plan: Plan) =>
  rehearsed(plan).acts.flatMap((act) =>
    act.kind === 'wash' && 'polygon' in act.shape ? [{ ...act, outline: act.shape.polygon }] : [],
  );

/** The panel as the last stroke leaves it. */
function painted(simulation: Simulation): PanelRun {
  const stopS = Math.max(...simulation.acts.map(({ atS }) => atS));
  let ended: PanelRun | null = null;
  done(simulate({ ...simulation, stopS }, plainPanelKernel, (run) => (ended = run)));
  return ended!;
}

/** Mean pigment on a place, g/m². */
function loadOn({ panel }: PanelRun, [outline]: Polygon): number {
  let [sum, area] = [0, 0];
  const rim = (panel.columns * panel.cellMm - cardSizes(smallPlan().card).panel.widthMm) / 2;
  const polygon = outline.map(([x, y]) => [x + rim, y + rim] as const);
  coverage(panel, { polygon }, (cell, share) => {
    sum += share * (panel.suspended[cell] + panel.deposited[cell]);
    area += share;
  });
  return sum / area;
}

describe('a plan painted by a hand', () => {
  const moon = rectangle(40, 8, 14, 14);
  const planned = smallPlan(addArea('moon', moon), addPass('sky-wash', 'sky', 'blue'));
  const sky = planned.areas.find(({ id }) => id === 'sky')!.outline;

  it('keeps each pass in its time', () => {
    const timeline = layOut(planned);
    const step = timeline.steps.find(({ act }) => act.id === 'sky-wash')!;
    const { acts, stopS } = rehearsed(planned);
    expect(acts.length).toBeGreaterThan(5);
    expect(Math.min(...acts.map(({ atS }) => atS))).toBeGreaterThan(step.startS);
    expect(Math.max(...acts.map(({ atS }) => atS))).toBe(step.endS);
    expect(stopS).toBeGreaterThan(step.endS);
    expect(new Set(acts.map(({ kind }) => kind))).toEqual(new Set(['wash']));
  });

  it('fills what is washed evenly, and paints what is to show its strokes stroke by stroke', () => {
    for (const [technique, kind] of [
      ['flat-wash', 'wash'],
      ['loose-strokes', 'stroke'],
      ['dry-brush', 'stroke'],
    ] as const) {
      const { acts } = rehearsed(smallPlan(addPass('sky-wash', 'sky', 'blue', { technique })));
      expect(new Set(acts.map((act) => act.kind)), technique).toEqual(new Set([kind]));
    }
  });

  it('keeps a hair of dry paper between what is painted and the wet wash that goes round it, and only then', () => {
    const round: Command = {
      do: 'keep-white',
      white: { id: 'w', area: 'moon', way: 'paint-round', tool: null, wanted: null, edge: 'hard' },
    };
    const leftmost = (start: Pass['start']): number => {
      const plan = applyCommands(planned, [round, addPass('moon-wash', 'moon', 'lemon', { start })]).plan;
      const bands = washes(plan).filter(({ pigments }) => pigments[0].pigment === 'PY3');
      return Math.min(...bands.flatMap(({ outline }) => outline.map(([x]) => x)));
    };
    expect(leftmost('straight-on') - leftmost('when-dry')).toBeCloseTo(0.5, 1);
  });

  it('lays as much water and paint as the plan counts on, everywhere alike', () => {
    const { strength, parts } = planned.mixes.find(({ id }) => id === 'blue')!;
    const pigment = planned.embedded.pigments.find(({ code }) => code === parts[0].pigment)!;
    const film = planned.acts.find(({ id }) => id === 'sky-wash') as { filmUm: number };
    const counted = (strength * pigment.masstoneLoadGm2 * film.filmUm) / 100;
    const load = loadOn(painted(rehearsed(planned)), sky);
    expect(load / counted).toBeCloseTo(1, 2);
    const { ledger, panel } = painted(rehearsed(planned));
    const mm2 = polygonArea(sky);
    expect((ledger.waterApplied * panel.cellMm ** 2) / (mm2 * film.filmUm)).toBeCloseTo(1, 2);
    const heart = loadOn(painted(rehearsed(planned)), rectangle(60, 20, 20, 10));
    expect(heart / counted).toBeCloseTo(1, 1);
  });

  it('fills once where areas of one pass overlap', () => {
    const both = smallPlan(addPass('wash', 'sky', 'blue', { areas: ['boat', 'sky'] }));
    const water = (plan: Plan): number => painted(rehearsed(plan)).ledger.waterApplied;
    expect(water(both) / water(smallPlan(addPass('wash', 'sky', 'blue')))).toBeCloseTo(1, 3);
  });

  it('lays each of several mixes in its place, and as much paint as of one', () => {
    const several = smallPlan(
      addPass('sky-wash', 'sky', 'blue', { also: [{ mix: 'lemon', lies: 'below', share: 0.4 }] }),
    );
    const one = rehearsed(smallPlan(addPass('sky-wash', 'sky', 'blue')));
    const bands = washes(several);
    const rim = several.card.tapeMm;
    for (const { outline, pigments } of bands) {
      const [, y, , height] = bounds([outline]);
      expect(pigments.map(({ pigment }) => pigment)).toEqual([
        y + height / 2 - rim < 0.6 * 50 ? 'PB29' : 'PY3',
      ]);
    }
    expect(new Set(bands.map(({ pigments }) => pigments[0].pigment)).size).toBe(2);
    const water = (simulation: Simulation): number => painted(simulation).ledger.waterApplied;
    expect(water(rehearsed(several)) / water(one)).toBeCloseTo(1, 1);
  });

  it('leaves what a shield covers clean, in a wash and in a spatter', () => {
    const shields: LaidShield[] = [{ area: 'moon', lies: 'over', edge: 'cut' }];
    const passing = (change: Partial<Pass>): Plan =>
      smallPlan(addArea('moon', moon), addPass('sky-wash', 'sky', 'blue', change));
    expect(loadOn(painted(rehearsed(planned)), moon)).toBeGreaterThan(0.3);
    const spatter = { technique: 'spatter', covers: 0.5 };
    expect(loadOn(painted(rehearsed(passing(spatter))), moon)).toBeGreaterThan(0.05);
    // Cells of 2 mm along its edge are half under it; water creeps under, as under real paper, once it is off.
    for (const change of [{}, spatter]) {
      const [under, open] = [passing({ ...change, shields }), passing(change)].map((plan) =>
        loadOn(painted(rehearsed(plan)), rectangle(44, 12, 6, 6)),
      );
      expect(under).toBeLessThan(0.1 * open);
    }
    expect(rehearsed(passing({ shields })).acts.at(-1)!.kind).toBe('unmask');
  });

  it('lifts what a pass lifts, and nothing beside it', () => {
    const lifting = smallPlan(
      addArea('moon', moon),
      addPass('sky-wash', 'sky', 'blue'),
      addPass('lift', 'moon', null, { technique: 'lift' }),
    );
    const [before, after] = [planned, lifting].map((plan) => painted(rehearsed(plan)));
    expect(loadOn(after, moon)).toBeLessThan(0.5 * loadOn(before, moon));
    expect(loadOn(after, rectangle(90, 8, 14, 14))).toBeGreaterThan(
      0.9 * loadOn(before, rectangle(90, 8, 14, 14)),
    );
  });

  it('goes round a bare white, and leaves a masked one clean', () => {
    const keeping = (way: 'paint-round' | 'mask'): Plan =>
      smallPlan(addArea('moon', moon), addPass('sky-wash', 'sky', 'blue'), {
        do: 'keep-white',
        white: { id: 'white-moon', area: 'moon', way, tool: null, wanted: null, edge: 'hard' },
      });
    const heart = rectangle(43, 11, 8, 8);
    const bare = painted(rehearsed(planned));
    expect(loadOn(bare, heart)).toBeGreaterThan(0.1);
    for (const way of ['paint-round', 'mask'] as const)
      expect(loadOn(painted(rehearsed(keeping(way))), heart), way).toBeLessThan(1e-6);
  });

  it('a graded wash pales from its first stroke to its last', () => {
    const graded = smallPlan(addPass('sky-wash', 'sky', 'blue', { technique: 'graded-wash' }));
    const loads = washes(graded).map(({ pigments }) => pigments[0].gm2);
    loads.slice(1).forEach((gm2, i) => expect(gm2).toBeLessThanOrEqual(loads[i]));
    expect(loads.at(-1)! / loads[0]).toBeCloseTo(0.15, 6);
  });
});

it('a plan is worth a look when each pass is laid, and last when its masks are off', () => {
  const plan = applyCommands(smallPlan(addPass('wash', 'sky', 'blue'), addPass('glaze', 'sky', 'dark')), [
    {
      do: 'keep-white',
      white: { id: 'w', area: 'boat', way: 'mask', tool: null, wanted: null, edge: 'hard' },
    },
  ]).plan;
  const timeline = layOut(plan);
  const times = moments(timeline, 12);
  const endOf = (id: string): number => timeline.steps.find(({ act }) => act.id === id)!.endS;
  expect(times).toHaveLength(12);
  expect(times).toContain(endOf('wash'));
  expect(times).toContain(endOf('glaze'));
  expect(times.at(-1)).toBeCloseTo(endOf('mask-off'), 6);
});
