import { rectangle, type Polygon } from '@kettle/core/kit/geometry';
import { pigmentByCode } from '@kettle/core/materials/pigment';
import {
  applyCommands,
  NEW_STUDIO,
  newPlan,
  newMix,
  newPass,
  type Command,
  type Plan,
} from '@kettle/core/document/plan';

const leaf = (cx: number, cy: number, rx: number, ry: number): Polygon => [
  Array.from({ length: 32 }, (_, i) => {
    const turn = (2 * Math.PI * i) / 32;
    return [cx + rx * Math.cos(turn), cy + ry * Math.sin(turn)] as const;
  }),
];

/** Areas of a 5 × 7 in landscape, mm. */
const AREAS: Record<string, Polygon> = {
  sky: rectangle(0, 0, 178, 62),
  hill: [
    [
      [0, 70],
      [0, 55],
      [50, 42],
      [110, 58],
      [178, 48],
      [178, 70],
    ],
  ],
  field: rectangle(0, 70, 178, 57),
  house: rectangle(112, 52, 26, 24),
  roof: [
    [
      [109, 52],
      [125, 40],
      [141, 52],
    ],
  ],
  tree: leaf(40, 62, 17, 21),
  bush: leaf(82, 82, 12, 8),
  path: [
    [
      [126, 76],
      [132, 76],
      [112, 127],
      [88, 127],
    ],
  ],
};

/** Area, mix (`null` for water) and technique of each of the twelve passes. */
const PASSES: readonly (readonly [area: string, mix: string | null, technique: string])[] = [
  ['sky', null, 'pre-wet'],
  ['sky', 'blue', 'wet-in-wet'],
  ['field', 'green', 'flat-wash'],
  ['hill', 'blue', 'flat-wash'],
  ['path', 'earth', 'flat-wash'],
  ['house', 'earth', 'flat-wash'],
  ['roof', 'earth', 'flat-wash'],
  ['tree', 'green', 'flat-wash'],
  ['bush', 'green', 'flat-wash'],
  ['tree', 'blue', 'glaze'],
  ['house', 'blue', 'glaze'],
  ['bush', 'blue', 'glaze'],
];

const MIXES: Record<string, string> = { blue: 'PB29', green: 'PG7', earth: 'PBr7-burnt-sienna' };

/** A 5 × 7 in card in twelve passes, for measuring how long a whole plan takes. */
export function twelvePasses(): Plan {
  const begun = newPlan(
    { id: 'twelve', title: 'Twelve passes', occasion: 'thanks', envelope: { widthMm: 184, heightMm: 133 } },
    NEW_STUDIO,
  );
  return applyCommands(begun, [
    ...Object.entries(AREAS).map(([id, outline]): Command => ({
      do: 'add-area',
      area: { id, name: id, outline },
    })),
    ...Object.entries(MIXES).map(([id, code]): Command => ({
      do: 'put-mix',
      mix: newMix({ id, name: id, strength: 0.15, parts: [{ pigment: code, parts: 1 }] }),
      pigments: [pigmentByCode(code)],
    })),
    ...PASSES.map(([area, mix, technique], i): Command => ({
      do: 'add-act',
      before: 'untape',
      act: newPass({ id: `pass-${i + 1}`, areas: [area], technique, mix }),
    })),
  ]).plan;
}
