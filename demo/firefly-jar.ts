import { ENVELOPES } from '@kettle/core/commission/card';
import type { Point } from '@kettle/core/kit/geometry';
import { applyCommands, newPlan, type Command, type Plan } from '@kettle/core/document/plan';
import { chance } from '@kettle/core/kit/units';
import { area, ellipse, mix, pass, round, rounded } from './by-hand';
import { MILLRACE_LANE } from './millrace-lane';

/** A squat jar from its neck down the left side and up the right. */
const JAR: Point[] = [
  [36, 58],
  [36, 63],
  [29, 69],
  [28, 76],
  [28, 112],
  [31, 118],
  [38, 120],
  [62, 120],
  [69, 118],
  [72, 112],
  [72, 76],
  [71, 69],
  [64, 63],
  [64, 58],
];

const LID: Point[] = [
  [34, 49],
  [50, 47.6],
  [66, 49],
  [66.5, 57],
  [50, 58.4],
  [33.5, 57],
];

/** Fireflies: drops flicked from a toothbrush, thicker towards the jar’s mouth. */
function fireflies(): [number, number, number][] {
  const random = chance(31);
  return Array.from({ length: 46 }, () => [
    round(8 + 84 * random()),
    round(6 + 40 * Math.sqrt(random())),
    round(0.4 + 0.5 * random() ** 2),
  ]);
}

const COMMANDS: Command[] = [
  {
    do: 'set-brief',
    change: {
      ...{ forWhom: 'Wilma Okonedo', copies: 1, needBy: '2027-02-06', postingDays: 2 },
      mood: 'quiet, warm at its heart',
      wordingOutside: 'A small light',
      wordingInside: 'Welcome, little one. The whole street is up late for you.',
    },
  },
  { do: 'set-format', change: { stands: 'upright' } },
  area('dusk', 'dusk', [
    [0, 0],
    [100, 0],
    [100, 104],
    [0, 104],
  ]),
  area('meadow', 'meadow', [
    [0, 106],
    [24, 107.5],
    [50, 106.5],
    [76, 107.5],
    [100, 106],
    [100, 148],
    [0, 148],
  ]),
  area('jar', 'jar', rounded(JAR, 1)),
  area('lid', 'lid', rounded(LID, 1)),
  area('glow', 'glow', ellipse(50, 90, 11.5, 15, 0, 350, 36)),
  mix('glow', 'pale glow', 0.06, ['PY150', 1]),
  mix('early', 'early dusk', 0.14, ['PB60', 2], ['PR122', 1]),
  mix('late', 'late dusk', 0.22, ['PB60', 3], ['PBr7-burnt-sienna', 1]),
  mix('glass', 'glass', 0.06, ['PB60', 1], ['PG7', 1]),
  mix('grass', 'night grass', 0.6, ['PY150', 2], ['PB60', 1]),
  mix('tin', 'tin lid', 0.75, ['PBr7-burnt-sienna', 2], ['PB60', 1]),
  pass('glow-wash', 'flat-wash', '', ['glow'], 'glow'),
  pass('dusk-one', 'flat-wash', '', ['dusk'], 'early'),
  pass('meadow-wash', 'flat-wash', '', ['meadow'], 'grass'),
  pass('dusk-two', 'glaze', '', ['dusk'], 'late'),
  pass('lid-wash', 'flat-wash', '', ['lid'], 'tin'),
  pass('glass-wash', 'glaze', '', ['jar'], 'glass'),
  {
    do: 'put-resist',
    resist: { id: 'fireflies', name: 'fireflies', tool: 'toothbrush', strokes: [], drops: fireflies() },
  },
  {
    do: 'keep-white',
    white: { id: 'white-jar', area: 'jar', way: 'paint-round', tool: null, wanted: null, edge: 'hard' },
  },
  {
    do: 'keep-white',
    white: { id: 'white-lid', area: 'lid', way: 'paint-round', tool: null, wanted: null, edge: 'hard' },
  },
  {
    do: 'keep-white',
    white: { id: 'white-glow', area: 'glow', way: 'mask', tool: null, wanted: null, edge: 'hard' },
  },
  // A mask of the second stage: it keeps not the paper but the yellow on it.
  { do: 'mask-when', masked: 'glow', on: 'glow-wash', off: null },
];

/** New baby: dusk in two glazes, fireflies spattered in mask, the glow in the jar kept as a pale yellow. */
export function fireflyJar(): Plan {
  const c6 = ENVELOPES.find(({ id }) => id === 'c6')!;
  const begun = newPlan(
    {
      id: 'firefly-jar',
      title: 'Firefly jar',
      occasion: 'new baby',
      envelope: { name: c6.name, widthMm: c6.widthMm, heightMm: c6.heightMm },
    },
    MILLRACE_LANE,
  );
  return applyCommands(begun, COMMANDS).plan;
}
