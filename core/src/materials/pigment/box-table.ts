import { TWELVE_BANDS, type Lab } from '../../kit/colour';
import type { Paper } from '../paper';
import type { Work } from '../../kit/units';
import { filmColourist } from './film-colour';
import { groundOf } from './glaze';
import { loadsOf } from './mix-table';
import type { Pigment } from './pigment';
import { choicesOf, MAX_PARTS, MAX_PIGMENTS, placeOfPair, ratiosOf } from './ratios';
import { nearestStrength, wantedColour, type NearestStrength, type WantedColour } from './strengths';

/**
 * Mixes of a whole box of paints, tabulated in twelve bands by which pigments they hold: all choices of one, of
 * two and of three. A table serves every wanted colour.
 */
export interface BoxTable {
  readonly box: readonly Pigment[];
  readonly paper: Paper;
  /** `groups[count − 1]`: the choices of `count` pigments. */
  readonly groups: readonly BoxGroup[];
}

interface BoxGroup {
  readonly choices: readonly (readonly number[])[];
  readonly ratios: readonly (readonly number[])[];
  /** L*a*b*, `[((choice · ratios + ratio) · 7 + strength) · 3 + axis]`. */
  readonly lab: Float32Array;
  /** Least and greatest L*, a*, b* of each half of a ratio's strengths, `[((choice · ratios + ratio) · 2 + half) · 6 + …]`. */
  readonly reach: Float32Array;
}

/**
 * Parts of three pigments in the table. A large box has thousands of triples, so only ratios up to five parts
 * stand for them; the palettes that come out best are coloured anew with all of them.
 */
const partsOfThree = (box: readonly Pigment[]): number => (box.length <= SMALL_BOX ? MAX_PARTS : 5);
const SMALL_BOX = 16;

/** Strengths in the box's table, masstone to tint: fewer than in a palette's, for the distance is taken between them. */
const BOX_STRENGTHS: readonly number[] = Array.from({ length: 7 }, (_, step) => 0.02 ** (step / 6));

/** Numbers a ratio takes in the table, and strengths to a half of it. */
const STRIDE = BOX_STRENGTHS.length * 3;
const HALF = (BOX_STRENGTHS.length - 1) / 2;

/** Choices that are gone through between two reports of progress, some 5 ms. */
const CHOICES_A_SLICE = 6;

/** The same where they are only looked up. */
const COSTS_A_SLICE = 100;

/** Colours every mix of up to three pigments of a box. */
export function* boxTable(box: readonly Pigment[], paper: Paper): Work<BoxTable> {
  const { tintsOf } = filmColourist(box, groundOf(paper, []), TWELVE_BANDS);
  const loads = new Float64Array(box.length);
  const groups: BoxGroup[] = [];
  const counts = Array.from({ length: Math.min(MAX_PIGMENTS, box.length) }, (_, i) => i + 1);
  for (const count of counts) {
    const choices = choicesOf(box.length, count);
    const ratios = ratiosOf(count, count === 3 ? partsOfThree(box) : MAX_PARTS);
    const lab = new Float32Array(choices.length * ratios.length * STRIDE);
    let at = 0;
    for (const [i, places] of choices.entries()) {
      if (i % CHOICES_A_SLICE === 0) yield (count - 1 + i / choices.length) / counts.length;
      for (const parts of ratios) {
        loadsOf(box, { places, parts }, 1, loads);
        tintsOf(loads, BOX_STRENGTHS, lab, at);
        at += STRIDE;
      }
    }
    yield count / counts.length;
    groups.push({ choices, ratios, lab, reach: yield* reachOf(lab, count / counts.length) });
  }
  return { box, paper, groups };
}

/** Halves looked at between two reports of progress. */
const HALVES_A_SLICE = 20_000;

/** The boxes round the strong and the weak half of each ratio's tints; the middle strength is in both. */
function* reachOf(lab: Float32Array, share: number): Work<Float32Array> {
  const reach = new Float32Array((lab.length / STRIDE) * 12);
  for (let half = 0; half * STRIDE < 2 * lab.length; half++) {
    if (half % HALVES_A_SLICE === 0) yield share;
    const from = (half >> 1) * STRIDE + (half & 1) * HALF * 3;
    for (let axis = 0; axis < 3; axis++) {
      let [least, most] = [Infinity, -Infinity];
      for (let i = from + axis; i <= from + HALF * 3 + axis; i += 3) {
        least = Math.min(least, lab[i]);
        most = Math.max(most, lab[i]);
      }
      reach[half * 6 + axis] = least;
      reach[half * 6 + 3 + axis] = most;
    }
  }
  return reach;
}

/**
 * How near every choice of one, two, three pigments (and whatever it holds of the smaller choices) comes to
 * every wanted colour, CIE94-like: `costs[count − 1][choice · wanted + i]`.
 */
export function* boxCosts({ groups }: BoxTable, targets: readonly Lab[]): Work<Float32Array[]> {
  const wanted = targets.map(wantedColour);
  const all: Float32Array[] = [];
  for (const [n, group] of groups.entries()) {
    const smaller = all.at(-1);
    const costs = new Float32Array(group.choices.length * wanted.length);
    for (const [choice, places] of group.choices.entries()) {
      if (choice % COSTS_A_SLICE === 0) yield (n + choice / group.choices.length) / groups.length;
      const [a, b, c] = places;
      const held =
        places.length === 1
          ? []
          : places.length === 2
            ? [a, b]
            : [placeOfPair(a, b), placeOfPair(a, c), placeOfPair(b, c)];
      for (let i = 0; i < wanted.length; i++) {
        let least = Infinity;
        for (const inside of held) least = Math.min(least, smaller![inside * wanted.length + i]);
        costs[choice * wanted.length + i] = nearestRatio(group, choice, wanted[i], least);
      }
    }
    all.push(costs);
  }
  return all;
}

/** The least distance of a choice's ratios from a wanted colour, or `least` when none comes nearer. */
function nearestRatio(
  { ratios, lab, reach }: BoxGroup,
  choice: number,
  wanted: WantedColour,
  least: number,
): number {
  const [l, a, b] = wanted.lab;
  const perAB = Math.min(wanted.perChroma, wanted.perHue);
  let least2 = least * least;
  for (let half = choice * ratios.length * 2; half < (choice + 1) * ratios.length * 2; half++) {
    // The box round these tints is no nearer than this; most need no closer look.
    const at = half * 6;
    const dl = outside(l, reach[at], reach[at + 3]);
    const da = outside(a, reach[at + 1], reach[at + 4]) * perAB;
    const db = outside(b, reach[at + 2], reach[at + 5]) * perAB;
    if (dl * dl + da * da + db * db >= least2) continue;
    nearestStrength(lab, (half >> 1) * STRIDE + (half & 1) * HALF * 3, HALF + 1, wanted, nearest);
    if (nearest.distance2 < least2) least2 = nearest.distance2;
  }
  return Math.sqrt(least2);
}

const nearest: NearestStrength = { distance2: 0, step: 0 };

function outside(value: number, from: number, to: number): number {
  return value < from ? from - value : value > to ? value - to : 0;
}
