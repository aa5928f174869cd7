import { rectangle, type Point, type Polygon } from '../kit/geometry';
import { glazeLab, REFERENCE_FILM_UM } from '../materials/pigment';
import {
  addArea,
  addMix,
  smallPlan,
  applyCommands,
  laidMix,
  mixOf,
  planPaper,
  type Command,
  type Plan,
} from '../document/plan';
import { chance } from '../kit/units';

const CODES = ['PB29', 'PY3', 'PO48', 'PG7', 'PV19-rose', 'PBr7-burnt-sienna', 'PB60'];

const disc = (x: number, y: number, r: number): Polygon => [
  Array.from({ length: 24 }, (_, i): Point => {
    const turn = (2 * Math.PI * i) / 24;
    return [x + r * Math.cos(turn), y + r * Math.sin(turn)];
  }),
];

/**
 * A card as it is when it has been sketched, its whites chosen and its colours mixed, but no pass planned: far and near ground,
 * things that stand on them, whites of every kind, and mixes that know what colour is wanted of them.
 */
export function sketchedScene(seed: number): Plan {
  const random = chance(seed);
  const between = (low: number, high: number): number => low + random() * (high - low);
  const horizon = between(35, 70);
  const things = Array.from({ length: 2 + Math.floor(random() * 4) }, (_, i): Command => {
    const [x, y] = [between(20, 128), between(20, 80)];
    const round = random() < 0.5;
    return addArea(
      `thing-${i}`,
      round ? disc(x, y, between(4, 18)) : rectangle(x - 8, y - 10, between(3, 20), between(6, 20)),
    );
  });
  const mixes = CODES.slice(0, 3 + Math.floor(random() * 4)).map((code, i) =>
    addMix(`mix-${i}`, Math.round(100 * between(0.05, 0.6)) / 100, code),
  );
  const begun = smallPlan(
    ...['sky', 'field', 'boat'].map((area): Command => ({ do: 'remove-area', area })),
    ...['blue', 'dark', 'lemon'].map((mix): Command => ({ do: 'remove-mix', mix })),
    addArea('far', rectangle(0, 0, 148, horizon)),
    addArea('near', rectangle(0, horizon + between(0, 4), 148, 100 - horizon - 4)),
    ...things,
    ...mixes,
  );
  const ways = ['mask', 'paint-round', 'lift', 'opaque', 'bare'] as const;
  const whites = begun.areas
    .filter(({ id }) => id.startsWith('thing') && random() < 0.35)
    .map(({ id }): Command => ({
      do: 'keep-white',
      white: {
        id: `white-${id}`,
        area: id,
        way: ways[Math.floor(random() * ways.length)],
        tool: null,
        wanted: null,
        edge: 'hard',
      },
    }));
  const wanted = begun.mixes.map(({ id }): Command => {
    const mix = mixOf(begun, id);
    const lab = glazeLab(planPaper(begun), [laidMix(begun, mix, REFERENCE_FILM_UM)]);
    return { do: 'put-mix', mix: { ...mix, wanted: lab }, pigments: [] };
  });
  return applyCommands(begun, [...wanted, ...whites]).plan;
}
