// How exactly letters are measured, gaps are found, and words come out from under their masks.
import { filled } from '@kettle/core/order/areas';
import { distance, type Point, type Polygon } from '@kettle/core/kit/geometry';
import { loadFonts, setWords, wordsSchema, type FontId } from '@kettle/core/drawing/lettering';
import { lineMm, maskingTool } from '@kettle/core/drawing/masking';
import { applyCommands, NEW_STUDIO, newPlan } from '@kettle/core/document/plan';
import { chance } from '@kettle/core/kit/units';
import { barrierGaps, legibility } from '@kettle/core/advice/whites';
import { distanceMap, getsIn, inscribedIn } from '../../core/src/advice/whites/distance-map.testdata';
import type { Measured } from './limits';
import { revealWord } from './revealed-word';

/** Cells letters are counted on, mm, as the bound is stated. */
const STEP_MM = 0.02;
/** Heights of capitals, mm, and the letters looked at; large ones have many cells. */
const SET: readonly (readonly [number, string])[] = [
  [5, 'eaB8R&'],
  [10, 'eaB8R&'],
  [40, 'e&'],
];
const CURVES = 300;

export async function measureWhites(): Promise<Measured> {
  const letters = await measureLetters();
  const gaps = measureGaps();
  const words = await measureWords();
  return {
    figures: { ...letters, ...gaps, ...words },
    below: {
      strokesOff: 1,
      countersOff: 1,
      gapsMissed: 1,
      gapsInvented: 1,
      worstGapMm: 0.1,
      wrongUnforetold: 1,
    },
  };
}

/** Letters of every font at several heights, against counting cells; a width counted so is short by up to one cell. */
async function measureLetters(): Promise<Record<string, number>> {
  const fonts = await loadFonts();
  let [letters, strokesOff, countersOff, worstCounter] = [0, 0, 0, 0];
  for (const [id, font] of fonts)
    for (const [capHeightMm, chars] of SET)
      for (const char of chars) {
        const tools = { maskLineMm: 1, brushTipMm: 1 };
        const [{ strokeMm, counterMm }] = legibility(char, font, capHeightMm, tools).letters;
        const regions = filled(contoursOf(id, char, capHeightMm, fonts));
        const maps = regions.map((region) => distanceMap(region, STEP_MM));
        letters++;
        const all = (widthMm: number): boolean => maps.every((map) => getsIn(map, 0.97, widthMm));
        if (!all(0.97 * strokeMm - STEP_MM) || all(1.03 * strokeMm + STEP_MM)) strokesOff++;
        const holes = regions.flatMap(([, ...rings]) => rings.map((hole): Polygon => [hole]));
        if (holes.length === 0) continue;
        const counted = Math.min(...holes.map((hole) => inscribedIn(distanceMap(hole, STEP_MM))));
        const off = Math.abs(counterMm! - counted) - STEP_MM;
        worstCounter = Math.max(worstCounter, off / counted);
        if (off > 0.03 * counted) countersOff++;
      }
  return { letters, strokesOff, countersOff, worstCounter };
}

const contoursOf = (
  font: FontId,
  text: string,
  capHeightMm: number,
  fonts: Awaited<ReturnType<typeof loadFonts>>,
) =>
  setWords(
    wordsSchema.parse({
      ...{ id: 'l', text, font, capHeightMm, from: [0, 100], to: [400, 100] },
      ...{ archMm: 0, slantDeg: 0, spacingMm: 0, set: 'left' },
    }),
    fonts.get(font)!,
  ).letters[0].contours;

/** Random closed curves with a gap of 0.2 to 1.2 mm, and each of them closed. */
function measureGaps(): Record<string, number> {
  const random = chance(11);
  const pen = maskingTool('ruling-pen');
  const wide = lineMm(pen, 0.5);
  const begun = newPlan(
    { id: 'gaps', title: 'Gaps', occasion: 'thanks', envelope: { widthMm: 162, heightMm: 114 } },
    NEW_STUDIO,
  );
  const found = (points: readonly Point[]) => {
    const { plan } = applyCommands(begun, [
      {
        do: 'put-resist',
        resist: {
          ...{ id: 'line', name: 'line', tool: 'ruling-pen', drops: [] },
          strokes: [{ id: 's', points: points.map(([x, y]) => [x, y, 0.5] as const) }],
        },
      },
    ]);
    return barrierGaps(plan, plan.resists[0]);
  };
  let [gapsMissed, gapsInvented, worstGapMm] = [0, 0, 0];
  for (let n = 0; n < CURVES; n++) {
    const [radius, from] = [16 + 10 * random(), 6.28 * random()];
    const waves = [2, 3, 4].map((k) => ({ k, high: 0.12 * random(), at: 6.28 * random() }));
    const at = (turn: number): Point => {
      const a = from + turn;
      const r = waves.reduce((sum, { k, high, at: off }) => sum * (1 + high * Math.cos(k * a + off)), radius);
      return [74 + r * Math.cos(a), 50 + r * Math.sin(a)];
    };
    const gapMm = 0.2 + random();
    let [low, high] = [0, 1];
    while (high - low > 1e-7) {
      const middle = (low + high) / 2;
      if (distance(at(0), at(2 * Math.PI - middle)) < gapMm + wide) low = middle;
      else high = middle;
    }
    const along = (to: number): Point[] => Array.from({ length: 241 }, (_, i) => at((to * i) / 240));
    const gaps = found(along(2 * Math.PI - low));
    if (gaps.length === 0) gapsMissed++;
    else worstGapMm = Math.max(worstGapMm, ...gaps.map(({ mm }) => Math.abs(mm - gapMm)));
    gapsInvented += Math.max(0, gaps.length - 1) + found(along(2 * Math.PI + 0.05)).length;
  }
  return { curves: 2 * CURVES, gapsMissed, gapsInvented, worstGapMm };
}

/** Words in large and small letters: all that is not as its outline says must have been foretold. */
async function measureWords(): Promise<Record<string, number>> {
  const fonts = await loadFonts();
  let [words, places, wrong, wrongUnforetold] = [0, 0, 0, 0];
  for (const [, font] of fonts)
    for (const [text, capHeightMm] of [
      ['Boe', 16],
      ['quay', 9],
    ] as const) {
      const revealed = revealWord(text, font, capHeightMm, 0.2);
      words++;
      places += revealed.places;
      wrong += revealed.wrong;
      wrongUnforetold += revealed.wrong - revealed.foretold;
    }
  return { words, places, wrong, wrongUnforetold };
}
