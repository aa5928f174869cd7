import { common, grown } from './combine';
import { bounds, polygonArea, type Polygon } from '../geometry';

/** A tool gets into a region if it covers this share of it, its corners drawn out sharp. */
const COVERED = 0.97;

/** How exactly the width is found, mm. */
const FINE_MM = 0.01;

/**
 * Width of the narrowest stretch of a region, mm: the widest round tool that still gets into all of it but the tips of
 * its corners (opening by a disc; Serra 1982).
 */
export function narrowestWidth(region: Polygon): number {
  const whole = polygonArea(region);
  const [, , width, height] = bounds(region);
  let [low, high] = [0, Math.min(width, height)];
  while (high - low > FINE_MM) {
    const middle = (low + high) / 2;
    const opened = grown(grown([region], -middle / 2), middle / 2, 'sharp');
    const covered = common(opened, [region]).reduce((sum, part) => sum + polygonArea(part), 0);
    if (covered >= COVERED * whole) low = middle;
    else high = middle;
  }
  return low;
}
