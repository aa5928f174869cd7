import { ENVELOPES } from '@kettle/core/commission/card';
import type { Point } from '@kettle/core/kit/geometry';
import { applyCommands, newPlan, type Command, type Plan } from '@kettle/core/document/plan';
import { area, mix, pass, rounded } from './by-hand';
import { MILLRACE_LANE } from './millrace-lane';

/** Bill, head, the bent neck, the back and one leg, standing at the water's edge. */
const HERON: Point[] = [
  [26, 84],
  [40, 79],
  [45, 77],
  [50, 79],
  [51, 84],
  [48, 91],
  [45, 98],
  [48, 104],
  [57, 109],
  [67, 117],
  [72, 128],
  [66, 127],
  [60, 129],
  [59, 158],
  [57, 158],
  [56.5, 129],
  [48, 123],
  [42, 113],
  [40, 103],
  [42, 94],
  [45, 88],
  [43, 85],
  [38, 84],
];

/** A reed that leans, from its foot upwards. */
const reed = (x: number, foot: number, height: number, lean: number): Point[] => [
  [x - 0.9, foot],
  [x + lean * 0.5 - 0.8, foot - height * 0.6],
  [x + lean, foot - height],
  [x + lean * 0.5 + 0.8, foot - height * 0.6],
  [x + 0.9, foot],
];

const COMMANDS: Command[] = [
  {
    do: 'set-brief',
    change: {
      ...{ forWhom: 'Corin Vale', copies: 1, needBy: '2027-01-09', postingDays: 2 },
      mood: 'quiet, wide, early',
      wordingOutside: 'Home',
      wordingInside: 'May the tide always be out when you need the path.',
    },
  },
  { do: 'set-format', change: { stands: 'upright' } },
  area('sky', 'sky', [
    [0, 0],
    [96, 0],
    [96, 120],
    [0, 120],
  ]),
  area('flats', 'mud flats', [
    [0, 122],
    [96, 122],
    [96, 206],
    [0, 206],
  ]),
  area('heron', 'heron', rounded(HERON, 1)),
  area('reed-one', 'tall reed', reed(14, 196, 92, 7)),
  area('reed-two', 'short reed', reed(22, 200, 66, 5)),
  area('reed-three', 'leaning reed', reed(8, 202, 74, -5)),
  mix('dawn', 'dawn', 0.07, ['PB29', 3], ['PR122', 1]),
  mix('mud', 'wet mud', 0.18, ['PBr7-raw-sienna', 2], ['PB29', 1]),
  mix('slate', 'slate', 1, ['PB29', 4], ['PBr7-burnt-sienna', 3]),
  pass('sky-wash', 'graded-wash', '', ['sky'], 'dawn'),
  pass('flats-wash', 'flat-wash', '', ['flats'], 'mud'),
  pass('heron', 'flat-wash', '', ['heron'], 'slate'),
  pass('reeds', 'loose-strokes', '', ['reed-one', 'reed-two', 'reed-three'], 'slate', {
    handsS: 100,
    filmUm: 70,
  }),
  {
    do: 'accept-finding',
    finding: 'one-value//sky',
    reason: 'Early light: the heron alone is dark',
  },
];

/** A slimline card that stands upright: new home; a graded sky, the heron and reeds as silhouettes. */
export function heronAtLowTide(): Plan {
  const slim = ENVELOPES.find(({ id }) => id === 'dl')!;
  const begun = newPlan(
    {
      id: 'heron-at-low-tide',
      title: 'Heron at low tide',
      occasion: 'new home',
      envelope: { name: slim.name, widthMm: slim.widthMm, heightMm: slim.heightMm },
    },
    MILLRACE_LANE,
  );
  return applyCommands(begun, COMMANDS).plan;
}
