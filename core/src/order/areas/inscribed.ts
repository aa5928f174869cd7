import polylabel from 'polylabel';
import { bounds, type Circle, type Polygon } from '../../kit/geometry';

/** How exactly the radius is found, as a share of half the region's shorter side. */
const FINE = 0.002;

/** The largest circle that goes into a region: about its pole of inaccessibility (Garcia-Castellanos & Lombardo 2007). */
export function inscribedCircle(region: Polygon): Circle {
  const [, , width, height] = bounds(region);
  const rings = region.map((ring) => ring.map(([x, y]): [number, number] => [x, y]));
  const pole = polylabel(rings, (FINE * Math.min(width, height)) / 2);
  return { centre: [pole[0], pole[1]], radiusMm: Math.max(0, pole.distance) };
}
