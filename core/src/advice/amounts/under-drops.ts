import type { Polygon } from '../../kit/geometry';
import type { Resist } from '../../drawing/masking';

/** What drops keep off is counted in cells of this size, mm: cutting thousands of them out would take seconds. */
const CELL_MM = 0.2;

/** How much of some regions, which do not overlap, lies under drops, mm²; where drops overlap, once. */
export function underDrops(regions: readonly Polygon[], drops: Resist['drops']): number {
  const crossings = new Map<number, readonly number[]>();
  const seen = new Map<number, Set<number>>();
  let cells = 0;
  for (const [x, y, diameter] of drops) {
    const r = diameter / 2;
    for (let row = cellOf(y - r); row <= cellOf(y + r); row++) {
      const half = Math.sqrt(Math.max(0, r * r - (middleOf(row) - y) ** 2));
      const inRow = crossings.get(row) ?? crossed(regions, middleOf(row));
      crossings.set(row, inRow);
      const counted = seen.get(row) ?? new Set();
      seen.set(row, counted);
      for (let column = cellOf(x - half); column <= cellOf(x + half); column++) {
        const at = middleOf(column);
        if (Math.abs(at - x) > half || counted.has(column)) continue;
        counted.add(column);
        // Inside where an odd number of edges lies to the left.
        if (inRow.filter((edge) => edge < at).length % 2 === 1) cells++;
      }
    }
  }
  return cells * CELL_MM * CELL_MM;
}

const cellOf = (mm: number): number => Math.floor(mm / CELL_MM);
const middleOf = (cell: number): number => (cell + 0.5) * CELL_MM;

/** Where a row meets the edges of regions. */
function crossed(regions: readonly Polygon[], y: number): number[] {
  return regions.flat().flatMap((ring) =>
    ring.flatMap(([ax, ay], i) => {
      const [bx, by] = ring[(i + 1) % ring.length];
      return ay > y === by > y ? [] : [ax + ((y - ay) / (by - ay)) * (bx - ax)];
    }),
  );
}
