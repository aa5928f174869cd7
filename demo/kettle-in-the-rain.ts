import { ENVELOPES } from '@kettle/core/commission/card';
import type { Point } from '@kettle/core/kit/geometry';
import { applyCommands, newPlan, type Command, type Plan } from '@kettle/core/document/plan';
import { area, ellipse, mix, pass, rounded, wavy } from './by-hand';
import { MILLRACE_LANE } from './millrace-lane';

/** Body from the right of the foot over the lid to the spout and back along the flat bottom. */
const KETTLE: Point[] = [
  ...ellipse(82, 66, 25, 21, 52, -62, 16),
  [91, 44],
  [88, 41.5],
  [85, 41],
  [84, 38.5],
  [82, 37.5],
  [80, 38.5],
  [79, 41],
  [76, 41.5],
  [72.5, 44],
  ...ellipse(82, 66, 25, 21, -118, -158, 6),
  [54, 55],
  [49.5, 50.5],
  [46.5, 48.5],
  [44, 49.5],
  [45.5, 53.5],
  [50, 61],
  [55.5, 70],
  ...ellipse(82, 66, 25, 21, 158, 128, 6),
];

const STEAM: Point[] = [
  [43, 46.5],
  [40.5, 42],
  [41.5, 37],
  [38, 32.5],
  [33, 29],
  [32, 23.5],
  [35, 19],
  [33, 14],
  [27, 10],
  [29, 6.5],
  [35, 8],
  [39.5, 12.5],
  [38.5, 18],
  [37, 22],
  [40, 26],
  [44.5, 30],
  [46, 35.5],
  [44.5, 40],
  [46, 44.5],
];

const COMMANDS: Command[] = [
  {
    do: 'set-brief',
    change: {
      forWhom: 'Tamsin at the lock cottage',
      copies: 1,
      wordingOutside: 'The kettle is on',
      wordingInside: 'Come and drink it with us when you are up and about.',
      needBy: '2026-12-11',
      postingDays: 2,
    },
  },
  { do: 'add-line', line: { id: 'sill-edge', kind: 'pencil', points: wavy([0, 65], [148, 65], 0.5) } },
  {
    do: 'add-line',
    line: {
      id: 'handle',
      kind: 'pencil',
      points: ellipse(82, 40, 19, 17, -168, -12, 24).map(([x, y], i) => [x, y, 0.4 + 0.2 * Math.sin(i / 4)]),
    },
  },
  { do: 'add-line', line: { id: 'rain-1', kind: 'pencil', points: wavy([112, 8], [104, 34], 0.4) } },
  { do: 'add-line', line: { id: 'rain-2', kind: 'pencil', points: wavy([128, 14], [119, 46], 0.4) } },
  {
    do: 'letter',
    words: {
      ...{ id: 'on-the-sill', text: 'The kettle is on', font: 'upright', capHeightMm: 6 },
      ...{ from: [30, 94], to: [118, 94], archMm: 3, slantDeg: 0, spacingMm: 0.3, set: 'middle' },
    },
  },
  { do: 'set-lamp', lamp: { sideDeg: 150, heightDeg: 45 } },
  area('pane', 'pane', [
    [0, 0],
    [148, 0],
    [148, 64],
    [0, 64],
  ]),
  area('sill', 'sill', [
    [0, 66.5],
    [148, 66.5],
    [148, 100],
    [0, 100],
  ]),
  area('kettle', 'kettle', rounded(KETTLE, 1)),
  { do: 'see-as', area: 'kettle', form: 'ball' },
  area('steam', 'steam', rounded(STEAM)),
  {
    do: 'keep-white',
    white: { id: 'white-kettle', area: 'kettle', way: 'paint-round', tool: null, wanted: null, edge: 'hard' },
  },
  mix('rain', 'rain grey', 0.1, ['PB29', 3], ['PBr7-burnt-sienna', 1]),
  mix('cloud', 'low cloud', 0.22, ['PB29', 2], ['PBr7-burnt-sienna', 1]),
  mix('oak', 'oak sill', 0.16, ['PBr7-raw-sienna', 3], ['PBr7-burnt-sienna', 1]),
  mix('copper', 'copper', 0.34, ['PO48', 1], ['PBr7-burnt-sienna', 2]),
  mix('shade', 'kettle shade', 0.3, ['PB29', 3], ['PBr7-burnt-sienna', 2]),
  pass('sill-wash', 'flat-wash', '', ['sill'], 'oak'),
  pass('wet-pane', 'pre-wet', '', ['pane'], null),
  pass('rain-wash', 'wet-in-wet', '', ['pane'], 'rain'),
  pass('cloud-charge', 'charge', '', ['pane'], 'cloud', { handsS: 40 }),
  pass('kettle-wash', 'flat-wash', '', ['kettle'], 'copper', { filmUm: 60 }),
  pass('kettle-shade', 'glaze', '', ['kettle'], 'shade', { handsS: 120 }),
  {
    do: 'keep-white',
    white: { id: 'white-steam', area: 'steam', way: 'mask', tool: null, wanted: null, edge: 'hard' },
  },
  {
    do: 'accept-finding',
    finding: 'one-value//pane',
    reason: 'A pale card on purpose: grey rain, and one dark kettle in it',
  },
  {
    do: 'accept-finding',
    finding: 'water-fouled/sill-wash/sill',
    reason: 'Three jars stand ready',
  },
];

/** The studio's first finished card: get well; a kettle on a sill, its steam masked, rain wet-in-wet on the pane. */
export function kettleInTheRain(): Plan {
  const c6 = ENVELOPES.find(({ id }) => id === 'c6')!;
  const begun = newPlan(
    {
      id: 'kettle-in-the-rain',
      title: 'Kettle in the rain',
      occasion: 'get well',
      envelope: { name: c6.name, widthMm: c6.widthMm, heightMm: c6.heightMm },
    },
    MILLRACE_LANE,
  );
  return applyCommands(begun, COMMANDS).plan;
}
