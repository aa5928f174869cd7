import { bounds, interiorPoint, type Circle, type Polygon } from '../../kit/geometry';
import { grown } from './combine';

/** How exactly the radius is found, as a share of it. */
const FINE = 0.002;

/** The largest circle that goes into a region: what is left when it is shrunk until all but nothing is (medial radius). */
export function inscribedCircle(region: Polygon): Circle {
  const [, , width, height] = bounds(region);
  let [low, high] = [0, Math.min(width, height) / 2];
  let left: Polygon = region;
  while (high - low > FINE * high) {
    const radius = (low + high) / 2;
    const [rest] = grown([region], -radius);
    if (rest as Polygon | undefined) [low, left] = [radius, rest];
    else high = radius;
  }
  return { centre: interiorPoint(left), radiusMm: low };
}
