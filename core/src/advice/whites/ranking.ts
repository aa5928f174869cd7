import { MASK_PENS, type MaskingTool } from '../../drawing/masking';
import { CUTTING_IN_MM_S, type White } from '../../document/plan';
import { formatSpan } from '../../kit/units';
import type { WhiteFacts } from './facts';

/** One way of keeping a white: how well it would do, 0…100, and why. */
export interface RankedWay {
  readonly way: White['way'];
  readonly score: number;
  readonly reasons: readonly string[];
  readonly numbers: Readonly<Record<string, number>>;
}

/** A single mask part larger than this tears the paper, cm². Trade habit. */
export const LARGE_MASK_CM2 = 6;

/** Paper sized more weakly than this tears under any mask. */
const WEAK_SIZING = 0.5;

/** A mask is not left on for longer, s. Our default for the trade’s “not for days”. */
export const LONGEST_MASK_S = 24 * 3600;

/** Whites from this number on are many; narrower than this they are intricate, mm. */
const MANY = 3;
const NARROW_MM = 5;

/** A single white smaller than this is a dot, cm². */
const DOT_CM2 = 0.1;

/** A big simple shape: at least so large, cm², and as round as this, 4πA/P² (a circle 1, a square 0.79). */
const BIG_CM2 = 1.5;
const SIMPLE = 0.35;

/** No brush paints neatly round, or lifts, what is finer, mm. */
const FINE_MM = 1;
const SLENDER_MM = 2;
const FINEST_LIFT_MM = 3;

/** Opaque white is for specks up to this size, cm², and chalky over more than this in all. */
const SPECK_CM2 = 0.3;
const CHALKY_CM2 = 2;

/** More than this is not lifted evenly, cm². */
const LARGE_LIFT_CM2 = 15;

/** A line that may stay for good is at least so long and at most so wide, mm. */
const LINE_LONG_MM = 30;
const LINE_WIDE_MM = 3;

/** What the house prefers counts so much. */
const HOUSE = 22;

/** A reason with what it adds to a way or takes from it. */
type Reason = readonly [points: number, words: string];

const cm2Words = (cm2: number): string => `${cm2 < 0.1 ? cm2.toFixed(2) : cm2.toFixed(1)} cm²`;

const mm = (value: number): string => `${value < 1 ? value.toFixed(2) : value.toFixed(1)} mm`;

/** The pen that draws the finest line that is still as wide as the narrowest place; `null` when none is fine enough. */
export const penFor = (narrowestMm: number): MaskingTool | null =>
  MASK_PENS.findLast(({ leastMm }) => leastMm <= narrowestMm) ?? null;

/** The ways to keep a white, the best first, each with its reasons and their numbers. */
export function rankWays(facts: WhiteFacts): RankedWay[] {
  const ways = [mask, paintRound, lift, opaque, bare, permanentLine].map((way) => way(facts));
  return ways.sort((a, b) => b.score - a.score);
}

/** Adds up what speaks for a way and against it. Where nothing crosses, keeping anything is hardly worth the trouble. */
function ranked(
  way: White['way'],
  { crossings, house }: WhiteFacts,
  base: number,
  reasons: readonly (Reason | false)[],
  numbers: RankedWay['numbers'],
): RankedWay {
  const own = reasons.filter((reason) => reason !== false);
  const all: Reason[] = way === house ? [...own, [HOUSE, 'the house keeps its whites so']] : own;
  const sum = all.reduce((total, [points]) => total + points, base);
  const worth = crossings > 0 || way === 'bare' ? 1 : 0.5;
  return {
    way,
    score: Math.round(worth * Math.min(100, Math.max(0, sum))),
    reasons: all.map(([, words]) => words),
    numbers,
  };
}

function mask(facts: WhiteFacts): RankedWay {
  const { cm2, parts, narrowestMm, flows, sizing, soft, maskedS } = facts;
  const pen = penFor(narrowestMm);
  const many = parts >= MANY;
  const reasons: (Reason | false)[] = [
    many && [25, `${parts} such parts a wash must cross`],
    narrowestMm < NARROW_MM && [20, `${mm(narrowestMm)} at its narrowest`],
    flows && [25, 'what crosses it flows and is not stopped by a brush'],
    pen
      ? [0, `drawn with a ${pen.name}`]
      : [-80, `finer than the ${mm(MASK_PENS[0].leastMm)} of the finest pen`],
    cm2 > LARGE_MASK_CM2 && [
      -55,
      `${cm2Words(cm2)} in one part: above ${LARGE_MASK_CM2} cm² a mask may tear the paper`,
    ],
    sizing < WEAK_SIZING && [-80, 'weakly sized paper tears under a mask'],
    maskedS !== null &&
      maskedS > LONGEST_MASK_S && [
        -80,
        `it would stay on for ${formatSpan(maskedS)}; more than ${formatSpan(LONGEST_MASK_S)} is too long`,
      ],
    soft && [-30, 'a mask leaves a hard edge'],
    !many && cm2 < DOT_CM2 && [-45, 'a single dot is not worth masking'],
  ];
  return ranked('mask', facts, 40, reasons, { cm2, parts, narrowestMm, penMm: pen?.leastMm ?? 0 });
}

function paintRound(facts: WhiteFacts): RankedWay {
  const { cm2, edgeMm, parts, narrowestMm, flows, soft } = facts;
  const cuttingS = (parts * edgeMm) / CUTTING_IN_MM_S;
  const roundness = (4 * Math.PI * 100 * cm2) / edgeMm ** 2;
  const reasons: (Reason | false)[] = [
    cm2 >= BIG_CM2 && roundness >= SIMPLE && [25, `${cm2Words(cm2)} of simple shape`],
    [
      -Math.min(40, cuttingS / 10),
      `${Math.round(parts * edgeMm)} mm of edge, about ${formatSpan(Math.max(1, cuttingS))} of cutting in`,
    ],
    flows && [-30, 'what crosses it runs into it'],
    narrowestMm < FINE_MM
      ? [-15, `${mm(narrowestMm)} is finer than a brush cuts in`]
      : narrowestMm < SLENDER_MM && [-8, `${mm(narrowestMm)} is fine for cutting in`],
    soft && [-20, 'cutting in leaves a hard edge'],
  ];
  return ranked('paint-round', facts, 50, reasons, { edgeMm, cuttingS });
}

function lift(facts: WhiteFacts): RankedWay {
  const { wantedL, liftedL, staining, soft, narrowestMm, cm2, sizing } = facts;
  const short = Math.max(0, wantedL - liftedL);
  const reached = `lifted it comes to L* ${Math.round(liftedL)}, wanted is ${Math.round(wantedL)}`;
  const reasons: (Reason | false)[] = [
    soft ? [40, 'a soft edge is what lifting leaves'] : [-10, 'lifting leaves a soft edge'],
    [-3 * short, staining > 0.5 ? `${reached}: what crosses it stains` : reached],
    narrowestMm < FINEST_LIFT_MM && [-20, `${mm(narrowestMm)} is finer than is lifted`],
    cm2 > LARGE_LIFT_CM2 && [-20, `${cm2Words(cm2)} are not lifted evenly`],
    sizing < WEAK_SIZING && [-20, 'weakly sized paper holds the paint and does not bear rubbing'],
  ];
  return ranked('lift', facts, 30, reasons, { liftedL, wantedL, staining });
}

function opaque(facts: WhiteFacts): RankedWay {
  const { cm2, parts, narrowestMm, coats, opaqueL, wantedL, soft } = facts;
  const all = parts * cm2;
  const reasons: (Reason | false)[] = [
    cm2 < SPECK_CM2 && [30, `${cm2Words(cm2)}: a speck`],
    cm2 < DOT_CM2 && narrowestMm < SLENDER_MM && [10, 'touched on at the end, or not, as the painting asks'],
    all > CHALKY_CM2 && [-40, `${cm2Words(all)} of opaque white look chalky`],
    coats === null
      ? [-60, `opaque white comes to L* ${Math.round(opaqueL)}, wanted is ${Math.round(wantedL)}`]
      : [-5 * (coats - 1), coats === 1 ? 'one coat covers' : `${coats} coats cover`],
    soft && [-20, 'it leaves a hard edge'],
  ];
  return ranked('opaque', facts, 35, reasons, { cm2: all, coats: coats ?? 0, opaqueL, wantedL });
}

const bare = (facts: WhiteFacts): RankedWay =>
  ranked(
    'bare',
    facts,
    facts.crossings === 0 ? 100 : 0,
    [[0, facts.crossings === 0 ? 'nothing crosses it' : `${facts.crossings} of the passes cross it`]],
    { crossings: facts.crossings },
  );

function permanentLine(facts: WhiteFacts): RankedWay {
  const { cm2, edgeMm, maskedS } = facts;
  const wideMm = (2 * 100 * cm2) / edgeMm;
  const isLine = edgeMm / 2 > LINE_LONG_MM && wideMm < LINE_WIDE_MM;
  const reasons: (Reason | false)[] = [
    isLine
      ? [30, `a line of ${mm(wideMm)}, ${Math.round(edgeMm / 2)} mm long, that may stay`]
      : [-10, 'no outline: what resists for good stays on the paper'],
    isLine && maskedS !== null && maskedS > LONGEST_MASK_S && [15, 'it may stay on for days'],
  ];
  return ranked('permanent-line', facts, 15, reasons, { wideMm, longMm: edgeMm / 2 });
}
