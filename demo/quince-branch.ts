import { ENVELOPES, sheetNamed } from '@kettle/core/commission/card';
import type { Point } from '@kettle/core/kit/geometry';
import { applyCommands, newPlan, type Command, type Plan } from '@kettle/core/document/plan';
import { area, ellipse, mix, pass, rounded } from './by-hand';
import { MILLRACE_LANE } from './millrace-lane';

const BRANCH: Point[] = [
  [0, 22],
  [24, 25],
  [48, 21],
  [74, 27],
  [98, 24],
  [118, 30],
  [119, 32],
  [97, 28],
  [74, 31],
  [48, 25],
  [24, 29],
  [0, 27],
];

/** A quince hanging from the branch, a little narrower at its stalk. */
const quince = (x: number, y: number, size: number): Point[] =>
  ellipse(x, y, size, size * 1.1, -80, 260, 44).map(([px, py]) => [px, py < y ? py + 0.12 * (y - py) : py]);

const leaf = (x: number, y: number, length: number, turnDeg: number): Point[] => {
  const turn = (turnDeg * Math.PI) / 180;
  const [along, across] = [Math.cos(turn), Math.sin(turn)];
  const at = (u: number, v: number): Point => [x + u * along - v * across, y + u * across + v * along];
  return rounded(
    [at(0, 0), at(length * 0.4, length * 0.24), at(length, 0), at(length * 0.4, -length * 0.24)],
    2,
  );
};

const COMMANDS: Command[] = [
  {
    do: 'set-brief',
    change: {
      ...{ copies: 18, spares: 2, needBy: '2027-01-15', postingDays: 3 },
      mood: 'warm, plain, a little late in the year',
      wordingOutside: 'Thank you',
      wordingInside: 'for every hour you gave the lantern walk.',
    },
  },
  // A panel on a mat on a ready base, so that eighteen of them need one whole sheet of good paper.
  { do: 'set-format', change: { panelRevealMm: 6, mats: [{ thicknessMm: 0.3, showsMm: 3 }] } },
  {
    do: 'set-sheets',
    change: {
      painting: { ...sheetNamed('whole sheet'), price: 9.4 },
      base: { ...sheetNamed('card, 64 × 45 cm'), price: 1.8, weightGm2: 250, thicknessMm: 0.3 },
    },
  },
  area('branch', 'branch', rounded(BRANCH, 1)),
  area('big-quince', 'big quince', quince(44, 52, 17)),
  area('small-quince', 'small quince', quince(88, 49, 13)),
  area('leaf-one', 'leaf', leaf(60, 27, 26, 38)),
  area('leaf-two', 'upper leaf', leaf(76, 25, 24, -40)),
  area('leaf-three', 'last leaf', leaf(104, 29, 22, 55)),
  mix('quince', 'quince yellow', 0.24, ['PY150', 3], ['PO48', 1]),
  mix('bloom', 'shaded side', 0.16, ['PO48', 1], ['PBr7-burnt-sienna', 1]),
  mix('leaves', 'leaf green', 0.3, ['PY150', 2], ['PB29', 1]),
  mix('bark', 'bark', 0.4, ['PBr7-burnt-sienna', 5], ['PB29', 2]),
  pass('quinces', 'flat-wash', '', ['big-quince', 'small-quince'], 'quince'),
  pass('leaves', 'flat-wash', '', ['leaf-one', 'leaf-two', 'leaf-three'], 'leaves'),
  pass('shade', 'glaze', '', ['big-quince', 'small-quince'], 'bloom', { handsS: 60 }),
  pass('bark', 'loose-strokes', '', ['branch'], 'bark', { handsS: 90 }),
  {
    do: 'add-act',
    before: 'press',
    act: { kind: 'chore', id: 'mount', chore: 'mount', areas: [], handsS: null },
  },
  {
    do: 'accept-finding',
    finding: 'one-value//branch',
    reason: 'A light card, mostly paper',
  },
  {
    do: 'accept-finding',
    finding: 'border-lost-on-white//branch',
    reason: 'No frame wanted: the branch floats on the white',
  },
];

/** A batch: thanks, eighteen of them, a simple motif on a mounted panel. */
export function quinceBranch(): Plan {
  const c6 = ENVELOPES.find(({ id }) => id === 'c6')!;
  const begun = newPlan(
    {
      id: 'quince-branch',
      title: 'Quince branch',
      occasion: 'thanks',
      envelope: { name: c6.name, widthMm: c6.widthMm, heightMm: c6.heightMm },
    },
    MILLRACE_LANE,
  );
  return applyCommands(begun, COMMANDS).plan;
}
