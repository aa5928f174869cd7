// What is read off a simulated sheet to see an effect of wet paper: each a figure of one sheet.
import { DRY_PAPER_GM2, type PanelRun } from '@kettle/core/simulation/water';
import { cellsOf, density, loadAt, ring, ROOM, Sheet } from './painted-sheet';
import { mean } from './random';

/** The same sheet, simulated in steps half as long. */
export const halfStepped = ({ sizeMm, seed, cellMm }: Sheet): Sheet => new Sheet(sizeMm, seed, cellMm, 0.5);

/** Radius that holds two thirds of a drop's pigment beyond a control, mm. */
function spreadOf(run: PanelRun, centre: number, species: number): number {
  const { cellMm, columns } = run.panel;
  const shells = Array.from({ length: Math.floor((columns * cellMm) / 2 / 0.25) }, (_, i) =>
    ring(run, centre, i * 0.25, (i + 1) * 0.25).reduce((sum, cell) => sum + loadAt(run, cell, species), 0),
  );
  const total = shells.reduce((a, b) => a + b, 0);
  let held = 0;
  const at = shells.findIndex((shell) => (held += shell) >= (2 / 3) * total);
  return (at + 1) * 0.25;
}

export const edgeOf =
  (filmUm: number, climate = ROOM) =>
  (sheet: Sheet): number => {
    const r = sheet.sizeMm / 2 - 5;
    const run = sheet.painted(
      [sheet.wash('PB15:3', 0.6, filmUm, { circle: [sheet.middle, sheet.middle, r] })],
      1500,
      { climate, cellMm: 0.25 },
    );
    return (
      Math.max(...[-0.75, -0.5, -0.25, 0, 0.25].map((d) => density(run, sheet.middle, r + d, r + d + 0.25))) /
      density(run, sheet.middle, 0, r / 2)
    );
  };

const DROP_MM = 2;
/** Least density within, and greatest about, a drop of clear water, against the same sheet without it. */
const backrun =
  (atS: number) =>
  (sheet: Sheet): { pale: number; rim: number } => {
    const wash = sheet.wash('PB29', 1.2, 80);
    const drop = { atS, kind: 'drop', shape: { circle: [sheet.middle, sheet.middle, DROP_MM] }, filmUm: 120 };
    const [touched, control] = [[wash, drop], [wash]].map((acts) =>
      sheet.painted(acts, atS + 1200, { cellMm: 0.25 }),
    );
    const rings = Array.from(
      { length: 16 },
      (_, i) =>
        density(touched, sheet.middle, 0.5 * i, 0.5 * (i + 1)) /
        density(control, sheet.middle, 0.5 * i, 0.5 * (i + 1)),
    );
    return { pale: Math.min(...rings), rim: Math.max(...rings) };
  };
export const rimAt =
  (atS: number) =>
  (sheet: Sheet): number =>
    backrun(atS)(sheet).rim;
export const paleAt =
  (atS: number) =>
  (sheet: Sheet): number =>
    backrun(atS)(sheet).pale;

export const spreadInto =
  (filmUm: number, waitS: number) =>
  (sheet: Sheet): number => {
    const drop = {
      kind: 'drop',
      shape: { circle: [sheet.middle, sheet.middle, 1.5] },
      filmUm: 60,
      pigments: [{ pigment: 'PR122', gm2: 2 }],
    };
    const under =
      filmUm > 0 ? [sheet.wash('PY150', 0.3, filmUm)] : [sheet.wash('PY150', 0.3, 1, { rect: [0, 0, 1, 1] })];
    return spreadOf(sheet.painted([...under, { ...drop, atS: waitS }], waitS + 30), sheet.middle, 1);
  };

export const variation =
  (pigment: string, paper: string) =>
  (sheet: Sheet): number => {
    const run = sheet.painted([sheet.wash(pigment, 1, 100)], 1500, { cellMm: 0.25, paper });
    const loads = ring(run, sheet.middle, 0, sheet.sizeMm / 2 - 3).map((cell) => loadAt(run, cell));
    const average = mean(loads);
    return Math.sqrt(mean(loads.map((load) => (load - average) ** 2))) / average;
  };

/** How much of the rose washed beside blue lies beyond the line between them, as a share of its own half; `afterS` later. */
export const bleed =
  (afterS: number, masked = false) =>
  (sheet: Sheet): number => {
    const half = sheet.middle;
    const line = {
      atS: 0,
      kind: 'mask',
      shape: {
        line: [
          [half, 0],
          [half, sheet.sizeMm],
        ],
        widthMm: 1.2,
      },
    };
    const run = sheet.painted(
      [
        ...(masked ? [line] : []),
        sheet.wash('PB29', 0.8, 100, { rect: [0, 0, half, sheet.sizeMm] }),
        {
          ...sheet.wash('PR122', 0.8, 100, { rect: [half, 0, half, sheet.sizeMm] }),
          atS: afterS,
        },
      ],
      afterS + 1500,
    );
    const columns = run.panel.columns;
    const strip = (from: number, to: number): number =>
      mean(cellsOf(run, (column) => column >= from && column < to).map((cell) => loadAt(run, cell, 1)));
    const at = (mm: number): number => Math.round(columns / 2 + mm / run.panel.cellMm);
    return strip(at(-4), at(-1)) / strip(at(4), columns);
  };

/** Means of four bands from the top of a board to its foot, after it was tilted and perhaps turned. */
export function bandsOf(sheet: Sheet, filmUm: number, ...acts: object[]): number[] {
  const run = sheet.painted([sheet.wash('PR122', 0.8, filmUm), ...acts], 1200);
  const rows = run.panel.rows;
  return [0, 1, 2, 3].map((band) =>
    mean(
      cellsOf(run, (_, row) => row >= (band * rows) / 4 && row < ((band + 1) * rows) / 4).map((cell) =>
        loadAt(run, cell),
      ),
    ),
  );
}
export const DOWN = { atS: 0, kind: 'tilt', xDeg: 0, yDeg: 8 };

/** What is left of a dried wash where it was wetted, scrubbed and blotted. */
export const scrubbed =
  (pigment: string) =>
  (sheet: Sheet): number => {
    const lifted = { kind: 'scrub', atS: 2400, shape: { circle: [sheet.middle, sheet.middle, 5] } };
    const run = sheet.painted([sheet.wash(pigment, 1, 70), lifted], 2401);
    return density(run, sheet.middle, 0, 4) / density(run, sheet.middle, 7, 11);
  };

/** Seconds until a wash is dry to the touch in its middle. */
export function dryTime(sheet: Sheet, acts: object[], withinS: number): number {
  const atS = (stopS: number): number => {
    const run = sheet.painted([sheet.wash('PR122', 0.5, 80), ...acts], stopS, { cellMm: 1 });
    return mean(ring(run, sheet.middle, 0, 5).map((cell) => run.panel.film[cell] + run.panel.paper[cell]));
  };
  let [low, high] = [0, withinS];
  while (high - low > 0.005 * withinS) {
    const middle = (low + high) / 2;
    if (atS(middle) > DRY_PAPER_GM2) low = middle;
    else high = middle;
  }
  return high;
}

export const starAt =
  (atS: number) =>
  (sheet: Sheet): number => {
    const run = sheet.painted(
      [
        sheet.wash('PB15:3', 0.6, 100),
        { atS, kind: 'salt', points: [[sheet.middle, sheet.middle]], grainMm: 1 },
      ],
      1500,
    );
    return density(run, sheet.middle, 0, 1.2) / density(run, sheet.middle, 9, 12);
  };
