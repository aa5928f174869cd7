import { washAt, type LaidWash } from '@kettle/core/order/schedule';
import { DRY_PAPER_GM2 } from '@kettle/core/simulation/water';

/** Half the thickness of a strand per √(g/m²) of water; the root keeps a damp strand visible beside a puddle. */
const HALF_PX_PER_ROOT = 1.6;
const LARGEST_HALF_PX = 18;

/** Points along one part of a strand. */
const SAMPLES = 14;

/** A strand is as thick as the water that must still go before the paper is dry; a film always shows. px. */
export function halfStrand(filmUm: number, paperGm2: number): number {
  const water = Math.max(filmUm, filmUm + paperGm2 - DRY_PAPER_GM2, 0);
  return Math.min(LARGEST_HALF_PX, HALF_PX_PER_ROOT * Math.sqrt(water));
}

/** The outline of a wash's water between two times, s, as a closed SVG path about the level `y`. */
export function strandOutline(
  wash: LaidWash,
  fromS: number,
  toS: number,
  x: (s: number) => number,
  y: number,
): string {
  const times = Array.from({ length: SAMPLES + 1 }, (_, i) => fromS + ((toS - fromS) * i) / SAMPLES);
  const edge = times.map((s) => {
    const { filmUm, paperGm2 } = washAt(wash, s);
    return [x(s), halfStrand(filmUm, paperGm2)] as const;
  });
  const upper = edge.map(([at, half]) => `${at.toFixed(1)} ${(y - half).toFixed(1)}`);
  const lower = edge.reverse().map(([at, half]) => `${at.toFixed(1)} ${(y + half).toFixed(1)}`);
  return `M${[...upper, ...lower].join('L')}Z`;
}
