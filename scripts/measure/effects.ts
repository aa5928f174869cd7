import { deltaE00 } from '@kettle/core/colour';
import { glazeLab } from '@kettle/core/pigment';
import { cellAt, lookOf, type PanelRun } from '@kettle/core/water';
import type { Measured } from './limits';
import { density, loadAt, ring, ROOM, Sheet } from './painted-sheet';
import { mean } from './random';

/** Seeds and sizes that no constant was tuned on. */
const SEEDS = [611, 722, 833, 944, 1055];
const SIZES_MM = [28, 38];

/** An effect painters know: its figure on every seed and size, and the band it should lie in. */
interface Effect {
  readonly measure: (sheet: Sheet) => number;
  readonly from?: number;
  readonly to?: number;
}

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

const edgeOf =
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
const rimAt =
  (atS: number) =>
  (sheet: Sheet): number =>
    backrun(atS)(sheet).rim;
const paleAt =
  (atS: number) =>
  (sheet: Sheet): number =>
    backrun(atS)(sheet).pale;

const spreadInto =
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

const variation =
  (pigment: string, paper: string) =>
  (sheet: Sheet): number => {
    const run = sheet.painted([sheet.wash(pigment, 1, 100)], 1500, { cellMm: 0.25, paper });
    const loads = ring(run, sheet.middle, 0, sheet.sizeMm / 2 - 3).map((cell) => loadAt(run, cell));
    const average = mean(loads);
    return Math.sqrt(mean(loads.map((load) => (load - average) ** 2))) / average;
  };

const starAt =
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

/** What painters know of wet paper: dark edges, drops, backruns, meeting washes, tilt, glaze and lift, granulation, salt. */
const EFFECTS: Readonly<Record<string, Effect>> = {
  'dark edge, 60 µm': { measure: edgeOf(60), from: 1.1, to: 2.2 },
  'dark edge, 140 µm': { measure: edgeOf(140), from: 1.1, to: 2.2 },
  'dark edge rises with depth: 200 µm over 60 µm': {
    measure: (s) => edgeOf(200)(s) / edgeOf(60)(s),
    from: 1.02,
  },
  'dark edge rises with drying: dry moving air over still': {
    measure: (s) => edgeOf(80, { tempC: 28, rh: 0.25, airMs: 1 })(s) / edgeOf(80)(s),
    from: 1.05,
  },
  'drop spreads in a puddle over on dry paper': {
    measure: (s) => spreadInto(150, 4)(s) / spreadInto(0, 4)(s),
    from: 2,
  },
  'drop spreads in the shine over just matt': {
    measure: (s) => spreadInto(80, 20)(s) / spreadInto(80, 115)(s),
    from: 1.05,
  },
  'drop spreads just matt over on dry paper': {
    measure: (s) => spreadInto(80, 115)(s) / spreadInto(0, 4)(s),
    from: 1.05,
  },
  'clear drop in the shine: palest': { measure: paleAt(15), to: 0.8 },
  'clear drop in the shine: rim': { measure: rimAt(15), to: 1.15 },
  'clear drop as the sheen goes: palest': { measure: paleAt(112), to: 0.5 },
  'clear drop as the sheen goes: rim': { measure: rimAt(112), from: 1.5 },
  'backrun declines on damp paper: rim at 900 s over 112 s': {
    measure: (s) => rimAt(900)(s) / rimAt(112)(s),
    to: 0.95,
  },
  'clear drop on dry paint: rim': { measure: rimAt(2600), to: 1.1 },
  'granulation on cold-pressed: PB29 over PR122': {
    measure: (s) => variation('PB29', 'cotton-cold-300')(s) / variation('PR122', 'cotton-cold-300')(s),
    from: 5,
  },
  'granulation: hot-pressed over cold-pressed': {
    measure: (s) => variation('PB29', 'cotton-hot-300')(s) / variation('PB29', 'cotton-cold-300')(s),
    to: 0.5,
  },
  'salt in the shine: pale star': { measure: starAt(20), to: 0.85 },
  'salt near matt': { measure: starAt(140), from: 0.85 },
  'salt on damp paper': { measure: starAt(300), from: 0.98 },
  'glaze over dry: share that stays': {
    measure: (s) => {
      const run = s.painted(
        [s.wash('PR122', 1, 60), { atS: 2400, kind: 'water', shape: s.all, filmUm: 60 }],
        2460,
      );
      const { suspended } = run.panel;
      return 1 - suspended.reduce((a, b) => a + b, 0) / run.ledger.applied[0];
    },
    from: 0.88,
  },
  'unpainted paper beside a wash, ΔE00 of bare': {
    measure: (s) => {
      const run = s.painted([s.wash('PB29', 1.5, 120, { rect: [0, 0, s.sizeMm / 2, s.sizeMm] })], 3000);
      const look = lookOf(run);
      const bare = glazeLab(run.paper, []);
      const { columns, rows } = run.panel;
      return Math.max(
        ...Array.from({ length: rows }, (_, row) =>
          deltaE00(look(cellAt(run.panel, columns - 6, row)), bare),
        ),
      );
    },
    to: 0.5,
  },
  'round drop: four-fold anisotropy': {
    measure: (s) => {
      const run = s.painted(
        [
          { atS: 0, kind: 'water', shape: s.all, filmUm: 110 },
          {
            atS: 4,
            kind: 'drop',
            shape: { circle: [s.middle, s.middle, 2] },
            filmUm: 60,
            pigments: [{ pigment: 'PR122', gm2: 2 }],
          },
        ],
        34,
      );
      const { columns, rows, cellMm } = run.panel;
      let [along, across, all] = [0, 0, 0];
      for (let row = 0; row < rows; row++)
        for (let column = 0; column < columns; column++) {
          const [x, y] = [(column + 0.5) * cellMm - s.middle, (row + 0.5) * cellMm - s.middle];
          const load = loadAt(run, cellAt(run.panel, column, row)) * Math.hypot(x, y);
          const angle = 4 * Math.atan2(y, x);
          along += load * Math.cos(angle);
          across += load * Math.sin(angle);
          all += load;
        }
      return Math.hypot(along, across) / all;
    },
    to: 0.03,
  },
  'spread at 0.25 mm over 0.5 mm': {
    measure: (s) => spreadInto(110, 4)(new Sheet(s.sizeMm, s.seed, 0.25)) / spreadInto(110, 4)(s),
    from: 0.85,
    to: 1.15,
  },
};

/** An effect's figures over all sheets, and on how many of them it lies in its band. */
interface EffectFigures {
  readonly mean: number;
  readonly least: number;
  readonly most: number;
  readonly from?: number;
  readonly to?: number;
  readonly holds: boolean;
}

/** Every effect on every seed and size, and how many do not lie in their band on all of them. */
export function measureEffects(): Measured {
  const sheets = SEEDS.flatMap((seed) => SIZES_MM.map((size) => new Sheet(size, seed)));
  const round = (value: number): number => Math.round(1000 * value) / 1000;
  const effects: Record<string, EffectFigures> = {};
  for (const [name, { measure, from, to }] of Object.entries(EFFECTS)) {
    const values = sheets.map(measure);
    effects[name] = {
      mean: round(mean(values)),
      least: round(Math.min(...values)),
      most: round(Math.max(...values)),
      ...(from === undefined ? {} : { from }),
      ...(to === undefined ? {} : { to }),
      holds: values.every((value) => value >= (from ?? -Infinity) && value <= (to ?? Infinity)),
    };
  }
  const notYet = Object.keys(effects).filter((name) => !effects[name].holds);
  return {
    figures: { seeds: SEEDS, sizesMm: SIZES_MM, notYetModelled: notYet.length, notYet, effects },
    below: { notYetModelled: KNOWN_NOT_YET + 1 },
  };
}

/** Effects that are known not to hold yet and are said so in docs/water-model.md; more would be a fault. */
const KNOWN_NOT_YET = 1;
