import { joined } from '../areas';
import type { Point, Polygon } from '../geometry';
import type { MixTable } from '../pigment';

/** Round every mix lies what a little more or less of its parts gives, in a* and b*; told apart it can hardly be. */
const ROUND_IT = 4;
const CORNERS = 8;

/** Mixes nearer to each other than this, in a* and b*, are looked at once. */
const GRAIN = 1.5;

/**
 * What a palette reaches at one lightness, as regions of a* and b*: near all mixes of its table, each thinned until it is so
 * light; between two strengths of the table colours are taken to go straight.
 */
export function reachAt({ ratios, lab }: Pick<MixTable, 'ratios' | 'lab'>, lightness: number): Polygon[] {
  const grains = new Map<string, Point>();
  const strengths = lab.length / 3 / ratios.length;
  for (let ratio = 0; ratio < ratios.length; ratio++)
    for (let step = 0; step + 1 < strengths; step++) {
      const at = 3 * (ratio * strengths + step);
      const [one, other] = [lab[at] - lightness, lab[at + 3] - lightness];
      if (one * other > 0 || one === other) continue;
      const share = one / (one - other);
      const between = (axis: number): number =>
        lab[at + axis] + share * (lab[at + 3 + axis] - lab[at + axis]);
      const point: Point = [between(1), between(2)];
      grains.set(point.map((value) => Math.round(value / GRAIN)).join(' '), point);
    }
  return joined(
    [...grains.values()].map(([a, b]): Polygon => [
      Array.from({ length: CORNERS }, (_, k): Point => {
        const turn = (2 * Math.PI * k) / CORNERS;
        return [a + ROUND_IT * Math.cos(turn), b + ROUND_IT * Math.sin(turn)];
      }),
    ]),
  );
}
