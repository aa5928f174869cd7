import { distance, type Point } from '../../kit/geometry';

/** A line that letters stand on, straight or arched, by the way along it, mm. */
export interface Baseline {
  readonly lengthMm: number;
  /** A place on it and the way it runs there, radians clockwise from the right. */
  at(alongMm: number): { readonly point: Point; readonly angle: number };
}

/** An arch cannot rise higher over its chord than half a circle does. */
export const mostArch = (from: Point, to: Point): number => distance(from, to) / 2;

/** A line from one place to another that rises by `archMm` over its middle: an arc of a circle; below it when negative. */
export function baseline(from: Point, to: Point, archMm: number): Baseline {
  const chord = distance(from, to);
  const slope = Math.atan2(to[1] - from[1], to[0] - from[0]);
  const rise = Math.max(-chord / 2, Math.min(chord / 2, archMm));
  if (Math.abs(rise) < STRAIGHT_MM)
    return {
      lengthMm: chord,
      at: (along) => ({
        point: [from[0] + along * Math.cos(slope), from[1] + along * Math.sin(slope)],
        angle: slope,
      }),
    };
  // Sagitta and chord give the radius: r = (c²/4 + h²) / 2h.
  const radius = (chord * chord * 0.25 + rise * rise) / (2 * Math.abs(rise));
  const half = Math.asin(Math.min(1, chord / (2 * radius)));
  const up = Math.sign(rise);
  const middle: Point = [(from[0] + to[0]) / 2, (from[1] + to[1]) / 2];
  const drop = radius - Math.abs(rise);
  const centre: Point = [middle[0] - up * drop * Math.sin(slope), middle[1] + up * drop * Math.cos(slope)];
  return {
    lengthMm: 2 * half * radius,
    at: (along) => {
      const turn = -half + along / radius;
      const angle = slope + up * turn;
      return {
        point: [centre[0] + up * radius * Math.sin(angle), centre[1] - up * radius * Math.cos(angle)],
        angle,
      };
    },
  };
}

/** An arch flatter than this is a straight line to any hand, mm. */
const STRAIGHT_MM = 0.01;
