import { cutRequestSchema, cutSheet } from '@kettle/core/commission/card';
import type { Measured } from './limits';
import { mean, quantile, randomFrom } from './random';

interface Piece {
  readonly widthMm: number;
  readonly heightMm: number;
}

/** A sheet small enough that every whole millimetre can be tried. */
const SHEET = { widthMm: 140, heightMm: 100 };

/**
 * Cutting plans for more than ten different pieces, against bounds nobody can beat: with more paper wanted than there
 * is, the most that any guillotine pattern holds if each piece were there as often as one likes (or all of them, if that
 * is less); and puzzles, in which all pieces are known to fit because they were cut from the sheet.
 */
export function measureCuttingPlans(cases = 120): Measured {
  const random = randomFrom(11);
  const whole = (from: number, to: number): number => from + Math.floor(random() * (to - from + 1));
  const ofBound: number[] = [];
  for (let i = 0; i < cases; i++) {
    const pieces = Array.from({ length: whole(11, 40) }, () => ({
      widthMm: whole(12, 60),
      heightMm: whole(10, 50),
    }));
    ofBound.push(areaOf(placed(pieces)) / Math.min(areaOf(pieces), unlimited(pieces)));
  }
  const figures: Record<string, number> = {
    boundCases: cases,
    boundWorst: Math.min(...ofBound),
    boundP5: quantile(ofBound, 0.05),
    boundMean: mean(ofBound),
  };
  for (const slackPct of [0, 3, 6, 10]) {
    const shares = Array.from({ length: cases / 2 }, () => {
      const pieces = puzzle(whole(11, 40), slackPct / 100, random);
      return areaOf(placed(pieces)) / areaOf(pieces);
    });
    figures[`puzzleAllPlacedPct_slack${slackPct}`] =
      (100 * shares.filter((share) => share > 1 - 1e-6).length) / shares.length;
    figures[`puzzleWorst_slack${slackPct}`] = Math.min(...shares);
  }
  return { figures, above: { boundWorst: 0.95, boundP5: 0.95, puzzleWorst_slack10: 0.95 } };
}

const areaOf = (pieces: readonly Piece[]): number =>
  pieces.reduce((sum, { widthMm, heightMm }) => sum + widthMm * heightMm, 0);

const placed = (pieces: readonly Piece[]): readonly Piece[] =>
  cutSheet(
    cutRequestSchema.parse({
      sheet: SHEET,
      pieces: pieces.map((piece, i) => ({ name: String(i), ...piece, count: 1 })),
    }),
  ).placed;

/** Most area of any guillotine pattern with pieces without number, by trying every whole millimetre (Gilmore & Gomory 1965). */
function unlimited(pieces: readonly Piece[]): number {
  const { widthMm, heightMm } = SHEET;
  const best = Array.from({ length: widthMm + 1 }, () => new Float64Array(heightMm + 1));
  for (const { widthMm: a, heightMm: b } of pieces)
    for (const [w, h] of [
      [a, b],
      [b, a],
    ])
      if (w <= widthMm && h <= heightMm) best[w][h] = Math.max(best[w][h], a * b);
  for (let w = 1; w <= widthMm; w++)
    for (let h = 1; h <= heightMm; h++) {
      let most = Math.max(best[w][h], best[w - 1][h], best[w][h - 1]);
      for (let at = 1; at <= w / 2; at++) most = Math.max(most, best[at][h] + best[w - at][h]);
      for (let at = 1; at <= h / 2; at++) most = Math.max(most, best[w][at] + best[w][h - at]);
      best[w][h] = most;
    }
  return best[widthMm][heightMm];
}

/** A sheet cut at random into so many pieces, each trimmed a little until `slack` of the area is waste. */
function puzzle(count: number, slack: number, random: () => number): Piece[] {
  let parts: Piece[] = [SHEET];
  while (parts.length < count) {
    const largest = parts.reduce((a, b) => (a.widthMm * a.heightMm > b.widthMm * b.heightMm ? a : b));
    const share = 0.25 + 0.5 * random();
    const along = largest.widthMm > largest.heightMm * (0.6 + 0.8 * random());
    const at = Math.round((along ? largest.widthMm : largest.heightMm) * share);
    parts = parts.filter((part) => part !== largest);
    if (along) parts.push({ ...largest, widthMm: at }, { ...largest, widthMm: largest.widthMm - at });
    else parts.push({ ...largest, heightMm: at }, { ...largest, heightMm: largest.heightMm - at });
  }
  return parts.map(({ widthMm, heightMm }) => {
    const kept = 1 - 2 * slack * random();
    return random() < 0.5 ? { widthMm: widthMm * kept, heightMm } : { widthMm, heightMm: heightMm * kept };
  });
}
