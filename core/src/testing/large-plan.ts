import type { Polygon } from '../kit/geometry';
import {
  addArea,
  addMix,
  addPass,
  smallPlan,
  applyCommands,
  type Command,
  type Plan,
} from '../document/plan';

/** Corners of each area: as many as a hand draws round a leaf. */
const CORNERS = 40;

/** A leaf about a place, mm, its rim not quite even. */
const leaf = (x: number, y: number, radius: number): Polygon => [
  Array.from({ length: CORNERS }, (_, i) => {
    const turn = (2 * Math.PI * i) / CORNERS;
    const reach = radius * (1 + 0.2 * Math.sin(5 * turn + x));
    return [x + reach * Math.cos(turn), y + reach * Math.sin(turn)] as const;
  }),
];

/** A card of so many leaves that overlap in rows, and so many passes over them, by the mixes of the small plan: for tests of time. */
export function largePlan(areas: number, passes: number): Plan {
  const across = Math.ceil(Math.sqrt(areas * 1.5));
  const ids = Array.from({ length: areas }, (_, i) => `leaf-${i}`);
  const drawn = ids.map((id, i): Command => {
    const [column, row] = [i % across, Math.floor(i / across)];
    return addArea(id, leaf(10 + (column * 128) / across, 10 + (row * 90) / across, 150 / across));
  });
  const mixes = ['blue', 'dark', 'lemon', 'rust'];
  const laid = Array.from({ length: passes }, (_, i): Command => {
    const start = i % 3 === 2 ? { start: 'straight-on' as const } : {};
    return addPass(`laid-${i}`, ids[(i * 7) % areas], mixes[i % mixes.length], {
      ...start,
      filmUm: 20 + (i % 5) * 20,
    });
  });
  return applyCommands(smallPlan(addMix('rust', 0.4, 'PR101')), [...drawn, ...laid]).plan;
}
