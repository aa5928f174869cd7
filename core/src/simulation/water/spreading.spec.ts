import { describe, expect, it } from 'vitest';
import { paperById } from '../../materials/paper';
import { pigmentByCode } from '../../materials/pigment';
import {
  actOnPanel,
  cellAt,
  evaporationRate,
  flowNumbers,
  panelActSchema,
  passTime,
  plainPanelKernel,
  startPanel,
  type PanelRun,
} from '.';
import { spreadingOf } from './spreading';

const SIDE_MM = 24;
const SHEET = { rect: [0, 0, SIDE_MM, SIDE_MM] };
const ROSE = [{ pigment: 'PR122', gm2: 2 }];

/** Rose dropped round into a puddle of water and left for half a minute, on an even sheet or on paper. */
function droppedInWater(seed: number, isEven: boolean): PanelRun {
  const run = startPanel(
    {
      ...{ widthMm: SIDE_MM, heightMm: SIDE_MM, cellMm: 0.5, seed },
      climate: { tempC: 20, rh: 0.5, airMs: 0 },
      paper: paperById('cotton-cold-300'),
      pigments: [pigmentByCode('PR122')],
    },
    plainPanelKernel,
  );
  if (isEven) {
    run.panel.relief.fill(0);
    run.panel.hold.fill(1);
    run.panel.capacity.fill(240);
  }
  const drop = { circle: [SIDE_MM / 2, SIDE_MM / 2, 2] };
  for (const act of [
    { atS: 0, kind: 'water', shape: SHEET, filmUm: 110 },
    { atS: 4, kind: 'drop', shape: drop, filmUm: 60, pigments: ROSE },
  ]) {
    for (const _ of passTime(run, act.atS));
    actOnPanel(run, panelActSchema.parse(act));
  }
  return run;
}

const passUntil = (run: PanelRun, untilS: number): void => {
  for (const _ of passTime(run, untilS));
};

/** How far the paint lies out along the grid's axes rather than between them, 0 for a round drop. */
function fourFold({ panel }: PanelRun): number {
  let [along, all] = [0, 0];
  for (let row = 0; row < panel.rows; row++)
    for (let column = 0; column < panel.columns; column++) {
      const x = (column + 0.5) * panel.cellMm - SIDE_MM / 2;
      const y = (row + 0.5) * panel.cellMm - SIDE_MM / 2;
      const cell = cellAt(panel, column, row);
      const moment = (panel.suspended[cell] + panel.deposited[cell]) * Math.hypot(x, y);
      along += moment * Math.cos(4 * Math.atan2(y, x));
      all += moment;
    }
  return Math.abs(along) / all;
}

describe('paint that spreads in water', () => {
  it('stays round: within a hundredth on an even sheet, three hundredths on paper', () => {
    const even = droppedInWater(1, true);
    passUntil(even, 34);
    expect(fourFold(even)).toBeLessThan(0.01);
    for (const seed of [4711, 4712]) {
      const run = droppedInWater(seed, false);
      passUntil(run, 34);
      expect(fourFold(run)).toBeLessThan(0.03);
    }
  });

  it('spreads fastest where it meets water, as fast across the diagonal as along an axis, and not where no film is', () => {
    const run = droppedInWater(1, true);
    const { panel } = run;
    const flow = flowNumbers(run.paper, evaporationRate(run.climate));
    for (let row = 0; row < panel.rows; row++)
      for (let column = 0; column < panel.columns; column++) {
        const cell = cellAt(panel, column, row);
        panel.film[cell] = row < 40 ? 100 : 0;
        panel.suspended[cell] = column + row < 40 ? 2 : 0;
        panel.speed[cell] = 0;
      }
    const diagonal = spreadingOf(panel, flow)[cellAt(panel, 20, 20)];
    for (let row = 0; row < panel.rows; row++)
      for (let column = 0; column < panel.columns; column++)
        panel.suspended[cellAt(panel, column, row)] = column < 20 ? 2 : 0;
    const spreading = spreadingOf(panel, flow);
    const [front, far, bare] = [
      [20, 20],
      [5, 20],
      [20, 44],
    ].map(([column, row]) => spreading[cellAt(panel, column, row)]);
    expect(front).toBeGreaterThan(1.2 * far);
    expect(diagonal).toBeCloseTo(front, 6);
    expect(bare).toBe(0);
  });
});
