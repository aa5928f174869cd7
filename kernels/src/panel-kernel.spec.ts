import { describe, expect, it } from 'vitest';
import { done } from '@kettle/core/kit/units';
import {
  cellAt,
  plainPanelKernel,
  simulate,
  simulationSchema,
  type Panel,
  type PanelKernel,
} from '@kettle/core/simulation/water';
import { panelKernelFromBuild } from './load-node';

const simd = panelKernelFromBuild();
const blue = [{ pigment: 'PB29', gm2: 1.5 }];
const rose = [{ pigment: 'PR122', gm2: 0.8 }];
const all = { rect: [0, 0, 21, 17] };

/** Whole scenes: what the twins must agree on to the end. */
const SCENES: Record<string, object[]> = {
  'a wash on dry paper': [
    { atS: 0, kind: 'wash', shape: { circle: [10, 8, 6] }, filmUm: 120, pigments: blue },
  ],
  'clear water into a wash': [
    { atS: 0, kind: 'wash', shape: all, filmUm: 80, pigments: blue },
    { atS: 60, kind: 'drop', shape: { circle: [10, 8, 2] }, filmUm: 120 },
  ],
  'two colours on a tilted board': [
    { atS: 0, kind: 'wash', shape: { rect: [0, 0, 11, 17] }, filmUm: 100, pigments: blue },
    { atS: 1, kind: 'wash', shape: { rect: [11, 0, 10, 17] }, filmUm: 100, pigments: rose },
    { atS: 2, kind: 'tilt', xDeg: 2, yDeg: -3 },
  ],
  'mask, salt and dryer': [
    {
      atS: 0,
      kind: 'mask',
      shape: {
        line: [
          [3, 3],
          [18, 13],
        ],
        widthMm: 1.2,
      },
    },
    { atS: 0, kind: 'wash', shape: all, filmUm: 90, pigments: [...blue, ...rose] },
    {
      atS: 5,
      kind: 'salt',
      points: [
        [6, 11],
        [14, 5],
      ],
    },
    { atS: 60, kind: 'heat', seconds: 60, shape: { rect: [0, 0, 10, 17] } },
  ],
  'a panel of odd size': [
    { atS: 0, kind: 'wash', shape: { circle: [20, 16, 4] }, filmUm: 140, pigments: blue },
  ],
};

function ends(kernel: PanelKernel, acts: object[], stopS: number): { panel: Panel; steps: number } {
  let panel: Panel | null = null;
  const { steps } = done(
    simulate(
      simulationSchema.parse({
        widthMm: 21,
        heightMm: 17,
        cellMm: 0.5,
        paper: 'cotton-cold-300',
        climate: { tempC: 20, rh: 0.5, airMs: 0 },
        seed: 9,
        acts,
        stopS,
      }),
      kernel,
      (run) => (panel = run.panel),
    ),
  );
  return { panel: panel!, steps };
}

/** A plane, or the first species, without the cells that fill the grid up. */
function sheetOf(
  panel: Panel,
  field: 'film' | 'paper' | 'suspended' | 'deposited' | 'wettability' | 'binder' | 'rim',
) {
  const { columns, rows } = panel;
  return Float32Array.from(
    { length: columns * rows },
    (_, i) => panel[field][cellAt(panel, i % columns, Math.floor(i / columns))],
  );
}

/** Distance of two fields against the size of the second. */
function apart(one: Float32Array, other: Float32Array): number {
  let [difference, size] = [0, 0];
  for (let i = 0; i < one.length; i++) {
    difference += (one[i] - other[i]) ** 2;
    size += other[i] ** 2;
  }
  return size === 0 ? Math.sqrt(difference) : Math.sqrt(difference / size);
}

describe.each(Object.entries(SCENES))('the compiled panel kernel and its plain twin, %s', (_, acts) => {
  it('agree after the first dozens of steps', () => {
    const [one, other] = [ends(simd, acts, 7), ends(plainPanelKernel, acts, 7)];
    expect(Math.abs(one.steps - other.steps)).toBeLessThan(0.02 * other.steps + 1);
    expect(one.steps).toBeGreaterThan(12);
    for (const field of ['film', 'paper', 'suspended', 'deposited', 'wettability', 'binder'] as const)
      expect(apart(sheetOf(one.panel, field), sheetOf(other.panel, field)), field).toBeLessThan(1e-4);
  });

  it('lie the same when dry', () => {
    const [one, other] = [ends(simd, acts, 700), ends(plainPanelKernel, acts, 700)];
    expect(apart(one.panel.deposited, other.panel.deposited)).toBeLessThan(0.02);
    expect(Math.max(...one.panel.deposited)).toBeGreaterThan(0.5);
  });
});

it('a panel of one kernel is refused by another', () => {
  const { panel } = ends(plainPanelKernel, [], 1);
  expect(() =>
    simd.step(
      panel,
      [],
      {} as never,
      { dtS: 1, evaporation: 0, tiltX: 0, tiltY: 0, rims: true, creepS: 0, acting: [0] },
      'across-first',
    ),
  ).toThrow(/not of this kernel/);
});
