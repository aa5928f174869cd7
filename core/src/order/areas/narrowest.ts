import { bounds, edgeLength, polygonArea, type Polygon } from '../../kit/geometry';
import type { Work } from '../../kit/units';
import { cutAway, grown } from './combine';

/** A tool gets into a region if it covers this share of it, the tips of its corners counted as reached. */
const COVERED = 0.97;

/** A part left out by a round tool is the tip of a corner when it is smaller than so many squares of the tool’s radius. */
const CORNER = 2;

/** The narrowest place is looked for in steps of this factor from this share of the region’s size up, then exactly, mm. */
const STEP = 1.3;
const FINEST = 1 / 300;
const FINE_MM = 0.005;

/** Lengths are whole micrometres: slivers along an edge would join one corner’s tip to the next, mm. */
const SLACK_MM = 0.004;

/**
 * Width of the narrowest stretch of a region, mm: the widest round tool up to which each gets into all of it but the tips
 * of its corners (opening by a disc; Serra 1982).
 */
export function* narrowestWidth(region: Polygon): Work<number> {
  const [, , width, height] = bounds(region);
  const widest = Math.min(width, height);
  let low = 0;
  let high = FINEST * widest;
  while (high < widest && (yield* getsIn(region, high))) {
    low = high;
    high = Math.min(widest, high * STEP);
  }
  while (high - low > FINE_MM) {
    const middle = (low + high) / 2;
    if (yield* getsIn(region, middle)) low = middle;
    else high = middle;
  }
  return low;
}

/** Whether a round tool of a width gets into enough of a region. */
function* getsIn(region: Polygon, widthMm: number): Work<boolean> {
  const radius = widthMm / 2;
  const left = grown([region], -radius);
  yield 0;
  const opened = grown(left, radius + SLACK_MM);
  if (opened.length === 0) return false;
  yield 0;
  const mayMissMm2 = (1 - COVERED) * polygonArea(region);
  // Little is missed even with the tips of its corners: then nothing need be cut.
  const slackMm2 = SLACK_MM * edgeLength(region);
  if (polygonArea(region) - sumOf(opened.map(polygonArea)) + slackMm2 <= mayMissMm2) return true;
  const missed = cutAway([region], opened).map(polygonArea);
  return sumOf(missed.filter((mm2) => mm2 > CORNER * radius ** 2)) <= mayMissMm2;
}

const sumOf = (numbers: readonly number[]): number => numbers.reduce((sum, number) => sum + number, 0);
