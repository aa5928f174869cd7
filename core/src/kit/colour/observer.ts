import table from './data/observer.json';
import { spectralPower, type Light } from './light';
import { BAND_COUNT, type Spectrum } from './spectrum';

/** CIE XYZ tristimulus values, Y of the perfect reflector = 1. */
export interface Xyz {
  readonly x: number;
  readonly y: number;
  readonly z: number;
}

/** D65 white point of the 2° observer (CIE 15:2004), as the colour library assumes it. */
export const D65_WHITE: Xyz = { x: 0.3127 / 0.329, y: 1, z: (1 - 0.3127 - 0.329) / 0.329 };

/** XYZ to the sharpened cone responses in which an eye adapts, and back (Lam 1985, "Bradford"; ICC.1:2010 annex E). */
const CONES: Matrix = [
  [0.8951, 0.2664, -0.1614],
  [-0.7502, 1.7135, 0.0367],
  [0.0389, -0.0685, 1.0296],
];
const FROM_CONES: Matrix = [
  [0.9869929, -0.1470543, 0.1599627],
  [0.4323053, 0.5183603, 0.0492912],
  [-0.0085287, 0.0400428, 0.9684867],
];

type Row = readonly [number, number, number];
type Matrix = readonly [Row, Row, Row];

const times = (matrix: Matrix, [x, y, z]: Row): Row =>
  matrix.map((row) => row[0] * x + row[1] * y + row[2] * z) as unknown as Row;

/** Weights of the 36 bands towards X, Y and Z. */
export type XyzWeights = readonly [Float64Array, Float64Array, Float64Array];

/**
 * Weights from reflectance to XYZ (CIE 15:2004, eq. 7.1; CIE 1931 2° observer). Under another lamp than
 * daylight they hold the eye's adaptation to it, so that colours compare with those of daylight. Ten-nanometre
 * sums miss the published white by some 1e-4; X and Z are scaled until the perfect reflector is exactly white.
 */
function weightsUnder(light: Light): XyzWeights {
  const power = spectralPower(light);
  const matching = [table.xBar, table.yBar, table.zBar];
  const seen = Array.from(
    power,
    (_, band) => matching.map((bar) => bar[band] * power[band]) as unknown as Row,
  );
  const sum = (rows: readonly Row[]): Row =>
    rows.reduce<Row>((a, b) => [a[0] + b[0], a[1] + b[1], a[2] + b[2]], [0, 0, 0]);
  const lampCones = times(CONES, sum(seen));
  const dayCones = times(CONES, [D65_WHITE.x, D65_WHITE.y, D65_WHITE.z]);
  const adapted =
    light === 'D65'
      ? seen
      : seen.map((row) =>
          times(
            FROM_CONES,
            times(CONES, row).map((cone, i) => (cone * dayCones[i]) / lampCones[i]) as unknown as Row,
          ),
        );
  const white = sum(adapted);
  const scaled = (axis: 0 | 1 | 2, to: number): Float64Array =>
    Float64Array.from(adapted, (row) => (row[axis] / white[axis]) * to);
  return [scaled(0, D65_WHITE.x), scaled(1, D65_WHITE.y), scaled(2, D65_WHITE.z)];
}

const kept = new Map<Light, XyzWeights>();

/** Weights of the 36 bands towards X, Y, Z under a lamp, seen by an eye adapted to it. */
export function xyzWeights(light: Light = 'D65'): XyzWeights {
  const known = kept.get(light);
  if (known) return known;
  const weights = weightsUnder(light);
  kept.set(light, weights);
  return weights;
}

/** XYZ of a reflectance under a lamp, seen by an eye adapted to it. */
export function xyzOf(reflectance: Spectrum, light: Light = 'D65'): Xyz {
  const [wx, wy, wz] = xyzWeights(light);
  let x = 0;
  let y = 0;
  let z = 0;
  for (let band = 0; band < BAND_COUNT; band++) {
    const r = reflectance[band];
    x += wx[band] * r;
    y += wy[band] * r;
    z += wz[band] * r;
  }
  return { x, y, z };
}
