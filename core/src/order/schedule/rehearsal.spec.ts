import { describe, expect, it } from 'vitest';
import { cardSizes } from '../../commission/card';
import { rectangle, type Polygon } from '../../kit/geometry';
import {
  addArea,
  addPass,
  smallPlan,
  applyCommands,
  type LaidShield,
  type Pass,
  type Plan,
} from '../../document/plan';
import { done } from '../../kit/units';
import { coverage } from '../../simulation/water/coverage';
import { plainPanelKernel, simulate, type PanelRun, type Simulation } from '../../simulation/water';
import { layOut, moments, rehearse } from '.';

const rehearsed = (plan: Plan): Simulation => rehearse(plan, layOut(plan), { cellMm: 2, seed: 2 });

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
    expect(new Set(acts.map(({ kind }) => kind))).toEqual(new Set(['stroke']));
  });

  it('lays about as much of a mix as the plan counts on', () => {
    const { strength, parts } = planned.mixes.find(({ id }) => id === 'blue')!;
    const pigment = planned.embedded.pigments.find(({ code }) => code === parts[0].pigment)!;
    const film = planned.acts.find(({ id }) => id === 'sky-wash') as { filmUm: number };
    const counted = (strength * pigment.masstoneLoadGm2 * film.filmUm) / 100;
    const load = loadOn(painted(rehearsed(planned)), sky);
    expect(load).toBeGreaterThan(0.8 * counted);
    expect(load).toBeLessThan(1.2 * counted);
  });

  it('lays each of several mixes in its place, and as much paint as of one', () => {
    const several = smallPlan(
      addPass('sky-wash', 'sky', 'blue', { also: [{ mix: 'lemon', lies: 'below', share: 0.4 }] }),
    );
    const one = rehearsed(smallPlan(addPass('sky-wash', 'sky', 'blue')));
    const strokes = rehearsed(several).acts.flatMap((act) => (act.kind === 'stroke' ? [act] : []));
    const rim = several.card.tapeMm;
    for (const { points, parts } of strokes) {
      const y = points[Math.floor(points.length / 2)][1] - rim;
      expect(parts.map(({ pigment }) => pigment)).toEqual([y < 0.6 * 50 ? 'PB29' : 'PY3']);
    }
    expect(new Set(strokes.map(({ parts }) => parts[0].pigment)).size).toBe(2);
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
    const strengths = rehearsed(graded).acts.map((act) => (act.kind === 'stroke' ? act.strength : NaN));
    strengths.slice(1).forEach((strength, i) => expect(strength).toBeLessThanOrEqual(strengths[i]));
    expect(strengths.at(-1)! / strengths[0]).toBeLessThan(0.25);
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
