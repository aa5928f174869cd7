import { joined } from '../../order/areas';
import type { Point, Polygon } from '../../kit/geometry';
import type { MixTable } from '../../materials/pigment';
import type { Work } from '../../kit/units';

/** Round every mix lies what a little more or less of its parts gives, in a* and b*; told apart it can hardly be. */
const ROUND_IT = 4;
const CORNERS = 8;

/** Mixes nearer to each other than this, in a* and b*, are looked at once. */
const GRAIN = 1.5;

/** Mixes of one block, of so much in a* and b*, are joined before all blocks are. */
const BLOCK = 12;

/** Blocks that are joined to what there is in one go. */
const BLOCKS_AT_ONCE = 12;

/** Ratios that are gone through before anybody may stop it. */
const RATIOS_AT_ONCE = 500;

/**
 * What a palette reaches at one lightness, as regions of a* and b*: near all mixes of its table, each thinned until it is so
 * light; between two strengths of the table colours are taken to go straight.
 */
export function* reachAt(
  { ratios, lab }: Pick<MixTable, 'ratios' | 'lab'>,
  lightness: number,
): Work<Polygon[]> {
  const blocks = new Map<string, Map<string, Point>>();
  const strengths = lab.length / 3 / ratios.length;
  for (let ratio = 0; ratio < ratios.length; ratio++) {
    if (ratio % RATIOS_AT_ONCE === 0) yield (0.5 * ratio) / ratios.length;
    for (let step = 0; step + 1 < strengths; step++) {
      const at = 3 * (ratio * strengths + step);
      const [one, other] = [lab[at] - lightness, lab[at + 3] - lightness];
      if (one * other > 0 || one === other) continue;
      const share = one / (one - other);
      const between = (axis: number): number =>
        lab[at + axis] + share * (lab[at + 3 + axis] - lab[at + axis]);
      const point: Point = [between(1), between(2)];
      const block = placed(point, BLOCK);
      const grains = blocks.get(block) ?? new Map<string, Point>();
      blocks.set(block, grains.set(placed(point, GRAIN), point));
    }
  }
  let regions: Polygon[] = [];
  let done = 0;
  for (const grains of blocks.values()) {
    yield 0.5 + (0.4 * done++) / blocks.size;
    regions.push(...joined([...grains.values()].map(roundIt)));
    if (done % BLOCKS_AT_ONCE === 0) regions = joined(regions);
  }
  yield 0.9;
  return joined(regions);
}

const placed = (point: Point, size: number): string =>
  point.map((value) => Math.round(value / size)).join(' ');

const roundIt = ([a, b]: Point): Polygon => [
  Array.from({ length: CORNERS }, (_, k): Point => {
    const turn = (2 * Math.PI * k) / CORNERS;
    return [a + ROUND_IT * Math.cos(turn), b + ROUND_IT * Math.sin(turn)];
  }),
];
