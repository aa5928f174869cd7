import type { Pigment } from './pigment';

/** How thick the paint looks in the dish, from the strongest down; strength is a concentration 0…1. */
const CONSISTENCIES: readonly (readonly [from: number, word: string])[] = [
  [0.7, 'from the tube'],
  [0.4, 'creamy'],
  [0.2, 'milky'],
  [0.08, 'watery'],
  [0, 'a stain'],
];

/** The painter's word for a strength; the bounds are our own defaults. */
export const consistencyOf = (strength: number): string =>
  CONSISTENCIES.find(([from]) => strength >= from)![1];

/** What to say wherever a hazardous pigment is chosen; the maker's sheet and local rules come first. */
const CAUTIONS: Readonly<Record<Pigment['hazard'], string | null>> = {
  none: null,
  cadmium:
    'Cadmium: do not lick the brush, sand or spray; no dry powder without a mask. Follow the maker’s sheet.',
  cobalt:
    'Cobalt: do not lick the brush, sand or spray; no dry powder without a mask. Follow the maker’s sheet.',
  nickel: 'Nickel: can irritate skin; do not lick the brush, sand or spray. Follow the maker’s sheet.',
  manganese: 'Manganese: do not lick the brush, sand or spray. Follow the maker’s sheet.',
};

const MICA_CAUTION =
  'Mica: do not breathe the dust of dry powder, nor let children. Follow the maker’s sheet.';

/** The usual caution for a pigment, or null. */
export const cautionFor = (pigment: Pigment): string | null =>
  CAUTIONS[pigment.hazard] ?? (pigment.metallic ? MICA_CAUTION : null);
