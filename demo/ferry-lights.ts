import { ENVELOPES } from '@kettle/core/commission/card';
import type { Point } from '@kettle/core/kit/geometry';
import { pigmentByCode } from '@kettle/core/materials/pigment';
import { applyCommands, newMix, newPlan, type Command, type Plan } from '@kettle/core/document/plan';
import { area, mix, pass, rounded } from './by-hand';
import { MILLRACE_LANE } from './millrace-lane';

/** The ferry from its bow along the rail to the stern and back along the water. */
const FERRY: Point[] = [
  [38, 46],
  [47, 46],
  [47, 39],
  [58, 39],
  [58, 31],
  [66, 31],
  [66, 39],
  [92, 39],
  [92, 45],
  [106, 45],
  [102, 57],
  [45, 57],
];

/** A lamp on the quay or the deck, and its light on the water: a few broken strokes one below the other. */
const lamp = (x: number, y: number): Point[] => [
  [x - 1.6, y],
  [x, y - 1.8],
  [x + 1.6, y],
  [x, y + 1.8],
];
const reflection = (x: number, length: number): Point[] => [
  [x - 1.4, 62],
  [x + 1.4, 62],
  [x + 2.6, 62 + length * 0.45],
  [x + 1.2, 62 + length],
  [x - 1, 62 + length * 0.98],
  [x - 2.4, 62 + length * 0.5],
];

const REFLECTIONS: readonly [id: string, name: string, x: number, length: number][] = [
  ['light-one', 'bow light', 46, 20],
  ['light-two', 'mast light', 62, 30],
  ['light-three', 'stern light', 97, 24],
];

const COMMANDS: Command[] = [
  {
    do: 'set-brief',
    change: {
      ...{ forWhom: 'Bram Ilves', copies: 1, needBy: '2027-01-29', postingDays: 1 },
      mood: 'quiet, wide',
      wordingOutside: 'Safe crossing',
      wordingInside: 'The harbour keeps your berth.',
    },
  },
  area('sky', 'night sky', [
    [0, 0],
    [148, 0],
    [148, 55],
    [0, 55],
  ]),
  area('water', 'harbour', [
    [0, 60],
    [148, 60],
    [148, 100],
    [0, 100],
  ]),
  area('ferry', 'ferry', FERRY),
  ...REFLECTIONS.map(([id, name, x, length]) => area(id, name, rounded(reflection(x, length), 1))),
  area('lamp-one', 'quay lamp', lamp(20, 40)),
  area('gold', 'gold line', [
    [40, 48.6],
    [103.4, 48.6],
    [103, 49.8],
    [40.6, 49.8],
  ]),
  mix('dark', 'harbour dark', 0.4, ['PB60', 3], ['PBr7-burnt-sienna', 1]),
  mix('sky', 'late sky', 0.16, ['PB60', 3], ['PR122', 1]),
  mix('hull', 'hull', 0.8, ['PB60', 1], ['PBr7-burnt-sienna', 1]),
  mix('amber', 'amber', 0.12, ['PY150', 3], ['PO48', 1]),
  {
    do: 'put-mix',
    mix: newMix({
      ...{ id: 'leaf', name: 'gold', strength: 1, medium: 'metallic' },
      parts: [{ pigment: 'MICA-gold', parts: 1 }],
    }),
    pigments: [pigmentByCode('MICA-gold')],
  },
  pass('lights', 'flat-wash', '', [...REFLECTIONS.map(([id]) => id), 'lamp-one'], 'amber'),
  pass('sky-wash', 'graded-wash', '', ['sky'], 'sky'),
  pass('water-wash', 'flat-wash', '', ['water'], 'dark'),
  pass('ferry-wash', 'flat-wash', '', ['ferry'], 'hull'),
  pass('gold-line', 'metallic', '', ['gold'], 'leaf'),
  ...[...REFLECTIONS.map(([id]) => id), 'lamp-one', 'ferry'].map((id): Command => ({
    do: 'keep-white',
    white: { id: `white-${id}`, area: id, way: 'paint-round', tool: null, wanted: null, edge: 'hard' },
  })),
];

/** Leaving: a dark harbour, its lamps’ light on the water painted round, a gold line along the ferry’s rail. */
export function ferryLights(): Plan {
  const c6 = ENVELOPES.find(({ id }) => id === 'c6')!;
  const begun = newPlan(
    {
      id: 'ferry-lights',
      title: 'Ferry lights',
      occasion: 'leaving',
      envelope: { name: c6.name, widthMm: c6.widthMm, heightMm: c6.heightMm },
    },
    MILLRACE_LANE,
  );
  return applyCommands(begun, COMMANDS).plan;
}
