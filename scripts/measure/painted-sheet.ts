import { paperById } from '@kettle/core/materials/paper';
import { pigmentByCode } from '@kettle/core/materials/pigment';
import type { Plan } from '@kettle/core/document/plan';
import { done } from '@kettle/core/kit/units';
import { layOut, rehearse } from '@kettle/core/order/schedule';
import type { Painted } from '@kettle/core/simulation/picture';
import {
  cellAt,
  actOnPanel,
  eventsOf,
  panelActSchema,
  passTime,
  simulate,
  startPanel,
  type PanelKernel,
  type PanelRun,
  type Shape,
} from '@kettle/core/simulation/water';
import { panelKernelFromBuild } from '@kettle/kernels/node';
import { mean } from './random';

const compiled = panelKernelFromBuild();
export const ROOM = { tempC: 20, rh: 0.5, airMs: 0 };

/** A sheet of some size and seed, and ways to paint and read it. */
export class Sheet {
  constructor(
    readonly sizeMm: number,
    readonly seed: number,
    readonly cellMm = 0.5,
    readonly stepScale = 1,
  ) {}

  get all(): Shape {
    return { rect: [0, 0, this.sizeMm, this.sizeMm] };
  }

  /** Runs acts to `stopS` on a fresh sheet. */
  painted(
    acts: readonly object[],
    stopS: number,
    more: {
      paper?: string;
      climate?: typeof ROOM;
      cellMm?: number;
      kernel?: PanelKernel;
      steps?: number;
    } = {},
  ): PanelRun {
    const parsed = acts.map((act) => panelActSchema.parse(act)).sort((a, b) => a.atS - b.atS);
    const codes = [
      ...new Set(
        parsed.flatMap((act) =>
          ('pigments' in act ? act.pigments : 'parts' in act ? act.parts : []).map(({ pigment }) => pigment),
        ),
      ),
    ];
    const run = startPanel(
      {
        widthMm: this.sizeMm,
        heightMm: this.sizeMm,
        cellMm: more.cellMm ?? this.cellMm,
        paper: paperById(more.paper ?? 'cotton-cold-300'),
        climate: more.climate ?? ROOM,
        seed: this.seed,
        pigments: codes.map((code) => pigmentByCode(code)),
        stepScale: this.stepScale,
        salted: parsed.some(({ kind }) => kind === 'salt'),
      },
      more.kernel ?? compiled,
    );
    for (const act of parsed) {
      pass(run, act.atS, more.steps);
      if (run.steps === more.steps) return run;
      actOnPanel(run, act);
    }
    pass(run, stopS, more.steps);
    return run;
  }

  wash(pigment: string, gm2: number, filmUm: number, shape: Shape = this.all): object {
    return { atS: 0, kind: 'wash', shape, filmUm, pigments: [{ pigment, gm2 }] };
  }

  get middle(): number {
    return this.sizeMm / 2;
  }
}

/** A plan as it is rehearsed on a sheet, up to so long after its last wash is laid, s; what comes after that is left out. */
export function paintedPlan(plan: Plan, cellMm: number, seed: number, afterS: number): PanelRun {
  const rehearsed = rehearse(plan, layOut(plan), { cellMm, seed });
  const laidS = Math.max(...rehearsed.acts.filter(({ kind }) => kind === 'wash').map(({ atS }) => atS));
  const acts = rehearsed.acts.filter(({ atS }) => atS <= laidS);
  let ended: PanelRun | null = null;
  done(simulate({ ...rehearsed, acts, stopS: laidS + afterS }, compiled, (run) => (ended = run)));
  return ended!;
}

/** A run on which acts were done, with what happened, for its picture. */
export const withPast = (run: PanelRun, acts: readonly object[]): Painted => ({
  run,
  past: eventsOf(
    acts
      .map((act) => panelActSchema.parse(act))
      .filter(({ atS }) => atS <= run.atS)
      .map((act, i) => ({ act, field: `acts[${i}]` })),
  ),
});

/** Lets time pass, or so many steps in all. */
function pass(run: PanelRun, untilS: number, steps = Infinity): void {
  const course = passTime(run, untilS);
  while (run.steps < steps && !course.next().done);
}

/** Pigment of one species at a cell, g/m². */
export const loadAt = ({ panel }: PanelRun, cell: number, species = 0): number =>
  panel.suspended[species * panel.cells + cell] + panel.deposited[species * panel.cells + cell];

/** Cells by their column and row. */
export function cellsOf({ panel }: PanelRun, holds: (column: number, row: number) => boolean): number[] {
  const cells: number[] = [];
  for (let row = 0; row < panel.rows; row++)
    for (let column = 0; column < panel.columns; column++)
      if (holds(column, row)) cells.push(cellAt(panel, column, row));
  return cells;
}

/** Cells between two distances from a point, mm. */
export function ring(run: PanelRun, centre: number, from: number, to: number): number[] {
  const { cellMm } = run.panel;
  return cellsOf(run, (column, row) => {
    const r = Math.hypot((column + 0.5) * cellMm - centre, (row + 0.5) * cellMm - centre);
    return r >= from && r < to;
  });
}
export const density = (run: PanelRun, centre: number, from: number, to: number): number =>
  mean(ring(run, centre, from, to).map((cell) => loadAt(run, cell)));
