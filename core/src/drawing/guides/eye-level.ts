import { polygonArea, type Point, type Ring } from '../../kit/geometry';

/** An ellipse that lies: half its width and half its height, mm. */
export interface Ellipse {
  readonly centre: Point;
  readonly halfWidthMm: number;
  readonly halfHeightMm: number;
}

/** How a round vessel is looked at: the height of the eye on the panel, and how far the eye is from the panel, mm. */
export interface Sight {
  readonly eyeYMm: number;
  readonly awayMm: number;
}

/** A level round rim of a vessel: the height at which its middle is drawn, and its radius as it would be seen straight on. */
export interface Rim {
  readonly yMm: number;
  readonly radiusMm: number;
}

/**
 * A level circle whose middle lies in the picture plane, seen in perspective by an eye `awayMm` before it: with R its
 * radius, D the distance and h its depth below the eye, half axes RD/√(D² − R²) and hDR/(D² − R²), its middle at
 * hD²/(D² − R²) below the eye. Throws `RangeError` for a rim that reaches the eye.
 */
export function rimEllipse(axisXMm: number, { yMm, radiusMm }: Rim, { eyeYMm, awayMm }: Sight): Ellipse {
  if (radiusMm >= awayMm) throw new RangeError(`a rim of ${radiusMm} mm reaches the eye at ${awayMm} mm`);
  const depth = yMm - eyeYMm;
  const beyond = awayMm * awayMm - radiusMm * radiusMm;
  return {
    centre: [axisXMm, eyeYMm + (depth * awayMm * awayMm) / beyond],
    halfWidthMm: (radiusMm * awayMm) / Math.sqrt(beyond),
    halfHeightMm: (Math.abs(depth) * awayMm * radiusMm) / beyond,
  };
}

/** The lying ellipse that a closed line was meant to be: with the same area middle and the same spread (second moments). */
export function meantEllipse(ring: Ring): Ellipse {
  let [sx, sy, sxx, syy, twice] = [0, 0, 0, 0, 0];
  for (let i = 0; i < ring.length; i++) {
    const [[x0, y0], [x1, y1]] = [ring[i], ring[(i + 1) % ring.length]];
    const cross = x0 * y1 - x1 * y0;
    twice += cross;
    sx += (x0 + x1) * cross;
    sy += (y0 + y1) * cross;
    sxx += (x0 * x0 + x0 * x1 + x1 * x1) * cross;
    syy += (y0 * y0 + y0 * y1 + y1 * y1) * cross;
  }
  const [x, y] = [sx / (3 * twice), sy / (3 * twice)];
  // Of a full ellipse the mean square off its middle is a quarter of the half axis squared.
  const half = (squares: number, middle: number): number =>
    2 * Math.sqrt(Math.max(0, squares / (6 * twice) - middle * middle));
  return { centre: [x, y], halfWidthMm: half(sxx, x), halfHeightMm: half(syy, y) };
}

/** How far from an ellipse's own area a closed line may be and still be meant as one. */
const NEARLY = 0.06;

/** Whether a closed line is near enough to a lying ellipse. */
export function isEllipse(ring: Ring): boolean {
  const { halfWidthMm, halfHeightMm } = meantEllipse(ring);
  return Math.abs(polygonArea([ring]) / (Math.PI * halfWidthMm * halfHeightMm) - 1) < NEARLY;
}

/** An ellipse whose height is off what one eye level gives by more than this is seen to be wrong, as a share of its height, and mm. Ours. */
const OFF_SHARE = 0.15;
const OFF_MM = 0.4;

/** A curve of a vessel that does not agree with the sight the others have: how high it is drawn and how high it should be, mm. */
export interface Disagreeing {
  readonly index: number;
  readonly highMm: number;
  readonly wantedMm: number;
}

/** Those of a vessel’s drawn rims that are too round or too flat for the eye level of the vessel. */
export function disagreeing(rims: readonly Ellipse[], sight: Sight): Disagreeing[] {
  return rims.flatMap(({ centre, halfWidthMm, halfHeightMm }, index) => {
    const square = sight.awayMm * sight.awayMm;
    const radius = (halfWidthMm * sight.awayMm) / Math.sqrt(square + halfWidthMm * halfWidthMm);
    // What is known is where its middle is seen; where the rim itself lies follows from that.
    const yMm = sight.eyeYMm + ((centre[1] - sight.eyeYMm) * (square - radius * radius)) / square;
    const wanted = rimEllipse(centre[0], { yMm, radiusMm: radius }, sight).halfHeightMm;
    const off = Math.abs(wanted - halfHeightMm);
    return off > OFF_MM && off > OFF_SHARE * wanted
      ? [{ index, highMm: 2 * halfHeightMm, wantedMm: 2 * wanted }]
      : [];
  });
}
