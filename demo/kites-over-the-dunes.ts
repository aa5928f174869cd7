import { ENVELOPES } from '@kettle/core/commission/card';
import type { Point } from '@kettle/core/kit/geometry';
import { applyCommands, newPlan, type Command, type Plan } from '@kettle/core/document/plan';
import { area, mix, pass, round } from './by-hand';
import { MILLRACE_LANE } from './millrace-lane';

/** A kite as four corners, leaning. */
const kite = (x: number, y: number, size: number, leanDeg: number): Point[] => {
  const lean = (leanDeg * Math.PI) / 180;
  const at = (u: number, v: number): Point => [
    round(x + size * (u * Math.cos(lean) - v * Math.sin(lean))),
    round(y + size * (u * Math.sin(lean) + v * Math.cos(lean))),
  ];
  return [at(0, -1), at(0.62, -0.2), at(0, 1.1), at(-0.62, -0.2)];
};

const KITES: readonly [id: string, name: string, x: number, y: number, size: number, lean: number][] = [
  ['red-kite', 'red kite', 46, 26, 12, 24],
  ['yellow-kite', 'yellow kite', 92, 20, 10, -16],
  ['small-kite', 'small kite', 122, 40, 7, 12],
];

/** A string from a kite’s tail to the hand that holds it, sagging, drawn in masking fluid. */
const string = (from: Point, to: Point): [number, number, number][] =>
  Array.from({ length: 13 }, (_, i) => {
    const t = i / 12;
    return [
      round(from[0] + (to[0] - from[0]) * t),
      round(from[1] + (to[1] - from[1]) * t + 4 * t * (1 - t)),
      0.1,
    ];
  });

const COMMANDS: Command[] = [
  {
    do: 'set-brief',
    change: {
      ...{ forWhom: 'Jory Pell', copies: 1, needBy: '2027-02-20', postingDays: 2 },
      mood: 'warm, wide, windy',
      wordingOutside: 'You let go at the right moment',
      wordingInside: 'Passed! Now the wind does the rest.',
    },
  },
  area('sky', 'sky', [
    [0, 0],
    [148, 0],
    [148, 70],
    [0, 70],
  ]),
  area('dunes', 'dunes', [
    [0, 78],
    [26, 73],
    [58, 79],
    [92, 74],
    [124, 79],
    [148, 75],
    [148, 100],
    [0, 100],
  ]),
  area('grass', 'marram grass', [
    [6, 96],
    [10, 80],
    [13, 92],
    [17, 78],
    [19, 93],
    [25, 84],
    [26, 97],
  ]),
  ...KITES.map(([id, name, x, y, size, lean]) => area(id, name, kite(x, y, size, lean))),
  mix('blue', 'windy blue', 0.3, ['PB29', 1]),
  mix('sand', 'sand', 0.14, ['PBr7-raw-sienna', 4], ['PBr7-burnt-sienna', 1]),
  mix('marram', 'marram', 0.8, ['PB29', 2], ['PBr7-burnt-sienna', 3]),
  mix('red', 'kite red', 0.4, ['PO48', 1], ['PR122', 2]),
  mix('yellow', 'kite yellow', 0.3, ['PY3', 1]),
  pass('wet-sky', 'pre-wet', '', ['sky'], null),
  // Warm air over the dunes, in the same water.
  pass('sky-wash', 'wet-in-wet', '', ['sky'], 'blue', {
    also: [{ mix: 'sand', lies: 'below', share: 0.33 }],
  }),
  pass('dunes-wash', 'flat-wash', '', ['dunes'], 'sand'),
  pass('red-wash', 'flat-wash', '', ['red-kite', 'small-kite'], 'red'),
  pass('yellow-wash', 'flat-wash', '', ['yellow-kite'], 'yellow'),
  pass('grass-strokes', 'loose-strokes', '', ['grass'], 'marram', { handsS: 60 }),
  {
    do: 'put-resist',
    resist: {
      ...{ id: 'strings', name: 'kite strings', tool: 'ruling-pen', drops: [] },
      strokes: [
        { id: 'string-red', points: string([41, 37.5], [30, 70]) },
        { id: 'string-yellow', points: string([95, 31], [78, 70]) },
        { id: 'string-small', points: string([120.5, 48], [110, 70]) },
      ],
    },
  },
  ...KITES.map(([id]): Command => ({
    do: 'keep-white',
    white: { id: `white-${id}`, area: id, way: 'paint-round', tool: null, wanted: null, edge: 'hard' },
  })),
];

/** Passed the exam: a wet sky, kites painted round, their strings kept in masking fluid. */
export function kitesOverTheDunes(): Plan {
  const c6 = ENVELOPES.find(({ id }) => id === 'c6')!;
  const begun = newPlan(
    {
      id: 'kites-over-the-dunes',
      title: 'Kites over the dunes',
      occasion: 'passed the exam',
      envelope: { name: c6.name, widthMm: c6.widthMm, heightMm: c6.heightMm },
    },
    MILLRACE_LANE,
  );
  return applyCommands(begun, COMMANDS).plan;
}
