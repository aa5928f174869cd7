import { grown } from '@kettle/core/order/areas';
import { contains, rectangle, type Point, type Polygon } from '@kettle/core/kit/geometry';
import {
  addMix,
  applyCommands,
  newPass,
  newPlan,
  NEW_STUDIO,
  rimOf,
  type Command,
  type Plan,
} from '@kettle/core/document/plan';
import { cellAt } from '@kettle/core/simulation/water';
import type { Measured } from './limits';
import { loadAt, paintedPlan } from './painted-sheet';

const CELL_MM = 0.25;
const DRY_S = 3600;
/** So far a shape may reach over its outline, mm. */
const BESIDE_MM = 0.5;
const SEEDS = [501, 502, 503];

/** A leaf that tapers, with its long side along a wash's edge. */
const LEAF: Polygon = [
  Array.from({ length: 48 }, (_, i): Point => {
    const turn = (2 * Math.PI * i) / 48;
    return [64 + 9 * Math.cos(turn), 40 + 14 * Math.sin(turn) * Math.abs(Math.sin(turn / 2))];
  }),
];
/** Shapes of a card, each beside the same wash, which ends at 55 mm. */
const SHAPES: Readonly<Record<string, Polygon>> = {
  square: rectangle(55, 30, 18, 18),
  leaf: LEAF,
  strip: rectangle(55, 20, 4, 50),
  dot: [
    Array.from({ length: 32 }, (_, i): Point => [
      57.5 + 2.5 * Math.cos((Math.PI * i) / 16),
      40 + 2.5 * Math.sin((Math.PI * i) / 16),
    ]),
  ],
};

type Start = 'when-dry' | 'straight-on';

/** A yellow wash, and a blue shape beside it, when it is dry or straight on. */
function planOf(shape: Polygon, start: Start): Plan {
  const begun = newPlan(
    { id: 'beside', title: 'Beside', occasion: 'thanks', envelope: { widthMm: 162, heightMm: 114 } },
    NEW_STUDIO,
  );
  const pass = (id: string, area: string, mix: string): Command => ({
    do: 'add-act',
    before: 'untape',
    act: newPass({ ...{ id, mix, areas: [area], technique: 'flat-wash', start }, filmUm: 70 }),
  });
  return applyCommands(begun, [
    addMix('yellow', 0.2, 'PY150'),
    addMix('blue', 0.2, 'PB15:3'),
    { do: 'add-area', area: { id: 'field', name: 'field', outline: rectangle(15, 15, 40, 60) } },
    { do: 'add-area', area: { id: 'shape', name: 'shape', outline: shape } },
    pass('first', 'field', 'yellow'),
    pass('second', 'shape', 'blue'),
  ]).plan;
}

/** Share of a shape's pigment that lies within half a millimetre of its outline or inside, when all is dry. */
function keptBy(shape: Polygon, start: Start, seed: number): number {
  const plan = planOf(shape, start);
  const run = paintedPlan(plan, CELL_MM, seed, DRY_S);
  const { panel, pigments } = run;
  const blue = pigments.findIndex(({ code }) => code === 'PB15:3');
  const near = grown([shape], BESIDE_MM);
  const rim = rimOf(plan);
  let [kept, all] = [0, 0];
  for (let row = 0; row < panel.rows; row++)
    for (let column = 0; column < panel.columns; column++) {
      const load = loadAt(run, cellAt(panel, column, row), blue);
      if (load === 0) continue;
      const at: Point = [(column + 0.5) * CELL_MM - rim, (row + 0.5) * CELL_MM - rim];
      all += load;
      if (near.some((region) => contains(region, at))) kept += load;
    }
  return kept / all;
}

const leastKept = (shape: Polygon, start: Start): number =>
  Math.min(...SEEDS.map((seed) => 100 * keptBy(shape, start, seed)));

/** Planned shapes beside a wash that is dry: how much of their pigment they keep; and one beside a wet wash, which runs. */
export function measureDryNeighbour(): Measured {
  const kept = Object.fromEntries(
    Object.entries(SHAPES).map(([name, shape]) => [name, leastKept(shape, 'when-dry')]),
  );
  return {
    figures: {
      leastKeptPercent: Math.min(...Object.values(kept)),
      ...kept,
      besideWetPercent: leastKept(SHAPES['square'], 'straight-on'),
    },
    above: { leastKeptPercent: 99.5 },
    below: { besideWetPercent: 99.5 },
  };
}
