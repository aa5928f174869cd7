// A small case of what painters know of wet paper, with the compiled kernel; at their size and on many sheets they are
// measured by `npm run verify`.
import { readdirSync, readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { paperById } from '@kettle/core/materials/paper';
import { pigmentByCode } from '@kettle/core/materials/pigment';
import {
  actOnPanel,
  cellAt,
  panelActSchema,
  passTime,
  startPanel,
  type PanelRun,
} from '@kettle/core/simulation/water';
import { panelKernelFromBuild } from './load-node';

const kernel = panelKernelFromBuild();
const SIDE = 24;
const HALF = SIDE / 2;

interface More {
  readonly cellMm?: number;
  readonly stepScale?: number;
  readonly paper?: string;
}

/** A sheet on which acts were done, at `stopS`. */
function painted(
  acts: readonly object[],
  stopS: number,
  { cellMm = 0.5, stepScale, paper }: More = {},
): PanelRun {
  const run = startPanel(
    {
      widthMm: SIDE,
      heightMm: SIDE,
      cellMm,
      paper: paperById(paper ?? 'cotton-cold-300'),
      climate: { tempC: 20, rh: 0.5, airMs: 0 },
      seed: 21,
      pigments: ['PB29', 'PR122', 'MICA-gold'].map((code) => pigmentByCode(code)),
      ...(stepScale === undefined ? {} : { stepScale }),
    },
    kernel,
  );
  const pass = (untilS: number): void => {
    for (const reached of passTime(run, untilS)) expect(reached).toBeLessThanOrEqual(untilS);
  };
  for (const act of acts.map((one) => panelActSchema.parse(one))) {
    pass(act.atS);
    actOnPanel(run, act);
  }
  pass(stopS);
  return run;
}

const wash = (pigment: string, rect = [0, 0, SIDE, SIDE], atS = 0): object => ({
  ...{ atS, kind: 'wash', shape: { rect }, filmUm: 90 },
  pigments: [{ pigment, gm2: 1 }],
});
const drop = (atS: number, filmUm: number, pigments: object[] = []): object => ({
  ...{ atS, kind: 'drop', shape: { circle: [HALF, HALF, 2] }, filmUm, pigments },
});

/** Loads of one pigment at cells that `holds`, g/m². */
function loads({ panel }: PanelRun, species: number, holds: (xMm: number, yMm: number) => boolean): number[] {
  const found: number[] = [];
  for (let row = 0; row < panel.rows; row++)
    for (let column = 0; column < panel.columns; column++) {
      if (!holds((column + 0.5) * panel.cellMm, (row + 0.5) * panel.cellMm)) continue;
      const at = species * panel.cells + cellAt(panel, column, row);
      found.push(panel.suspended[at] + panel.deposited[at]);
    }
  return found;
}
const mean = (values: number[]): number => values.reduce((a, b) => a + b, 0) / values.length;
const ring = (run: PanelRun, species: number, from: number, to: number): number =>
  mean(
    loads(run, species, (x, y) => {
      const r = Math.hypot(x - HALF, y - HALF);
      return r >= from && r < to;
    }),
  );

/** Radius within which a drop's rose is denser than a tenth of its middle, mm. */
function reach(filmUm: number, atS: number, more: More = {}): number {
  const under = filmUm > 0 ? [{ atS: 0, kind: 'water', shape: { rect: [0, 0, SIDE, SIDE] }, filmUm }] : [];
  const run = painted([...under, drop(atS, 60, [{ pigment: 'PR122', gm2: 2 }])], atS + 30, more);
  const middle = ring(run, 1, 0, 1);
  const rings = Array.from({ length: 20 }, (_, i) => ring(run, 1, 0.5 * i, 0.5 * (i + 1)));
  return 0.5 * rings.findIndex((density) => density < 0.1 * middle);
}

describe('two washes side by side', () => {
  const beyond = (afterS: number): number => {
    const run = painted(
      [wash('PB29', [0, 0, HALF, SIDE]), wash('PR122', [HALF, 0, HALF, SIDE], afterS)],
      afterS + 400,
    );
    return mean(loads(run, 1, (x) => x > HALF - 4 && x < HALF - 1));
  };

  it('run together while wet', () => expect(beyond(2)).toBeGreaterThan(0.02));

  it('keep apart when the first is dry, though its paper was wet once', () =>
    expect(beyond(2600)).toBeLessThan(0.005));
});

describe('a drop of paint', () => {
  it('goes far in a puddle, less in the shine, little on dry paper', () => {
    const [puddle, shine, dry] = [reach(150, 4), reach(60, 20), reach(0, 4)];
    expect(puddle).toBeGreaterThanOrEqual(shine);
    expect(shine).toBeGreaterThan(dry);
    expect(puddle).toBeGreaterThanOrEqual(2 * dry);
  });

  it('goes as far in finer cells and in shorter steps', () => {
    const usual = reach(110, 4);
    expect(reach(110, 4, { cellMm: 0.25 }) / usual).toBeGreaterThan(0.85);
    expect(reach(110, 4, { cellMm: 0.25 }) / usual).toBeLessThan(1.15);
    expect(reach(110, 4, { stepScale: 0.5 })).toBeCloseTo(usual, 6);
  });

  it('of gold leaves a halo in a granulating damp wash', () => {
    const gold = drop(142, 100, [{ pigment: 'MICA-gold', gm2: 4 }]);
    const [touched, control] = [[wash('PB29'), gold], [wash('PB29')]].map((acts) => painted(acts, 700));
    const rings = [1, 1.5, 2, 2.5, 3, 3.5, 4].map(
      (r) => ring(touched, 0, r, r + 0.5) / ring(control, 0, r, r + 0.5),
    );
    expect(Math.max(...rings)).toBeGreaterThan(1.1);
    expect(Math.min(...rings)).toBeLessThan(0.8);
  });
});

describe('grain', () => {
  const variation = (pigment: string, species: number, paper: string): number => {
    const values = loads(painted([wash(pigment)], 900, { cellMm: 0.25, paper }), species, () => true);
    const average = mean(values);
    return Math.sqrt(mean(values.map((value) => (value - average) ** 2))) / average;
  };

  it('shows in a granulating pigment, hardly in a fine one or on smooth paper', () => {
    const grainy = variation('PB29', 0, 'cotton-cold-300');
    expect(grainy).toBeGreaterThan(3 * variation('PR122', 1, 'cotton-cold-300'));
    expect(grainy).toBeGreaterThan(2 * variation('PB29', 0, 'cotton-hot-300'));
  });
});

describe('a tilted board', () => {
  it('grows darker from head to foot', () => {
    const run = painted([wash('PR122'), { atS: 0, kind: 'tilt', xDeg: 0, yDeg: 8 }], 600);
    const bands = [0, 1, 2, 3].map((band) =>
      mean(loads(run, 1, (_, y) => Math.floor(y / (SIDE / 4)) === band)),
    );
    bands.slice(1).forEach((band, i) => expect(band).toBeGreaterThan(bands[i]));
  });
});

describe('a hair dryer', () => {
  it('dries the faster, the more it evaporates', () => {
    const dampAfter = (acts: object[], stopS: number): number =>
      mean([...painted(acts, stopS).panel.paper].slice(0, 500));
    const heat = { atS: 0, kind: 'heat', seconds: 600 };
    expect(dampAfter([wash('PB29'), heat], 360)).toBeLessThan(5);
    expect(dampAfter([wash('PB29')], 360)).toBeGreaterThan(40);
  });
});

it('no effect is drawn on: nothing in water or its kernels knows an angle', () => {
  for (const folder of ['core/src/simulation/water', 'kernels/assembly'])
    for (const file of readdirSync(folder).filter(
      (name) => name.endsWith('.ts') && !name.endsWith('.spec.ts'),
    ))
      expect(readFileSync(`${folder}/${file}`, 'utf8'), file).not.toMatch(/atan2?\(|acos\(|asin\(/);
});
